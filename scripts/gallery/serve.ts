import express from 'express';
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import { bundleGallery } from './bundle';

/** Makes the gallery and serves it on this machine. @param port 0 for a free one. */
export async function serveGallery(port = 0): Promise<{ url: string; close: () => void }> {
  const server = express()
    .use(express.static(await bundleGallery()))
    .listen(port, '127.0.0.1');
  await once(server, 'listening');
  return { url: `http://localhost:${(server.address() as AddressInfo).port}/`, close: () => server.close() };
}
