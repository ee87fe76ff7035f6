/** Stands in for a weather service: GET /forecast?date=YYYY-MM-DD&time=HH:MM answers JSON (see README.md). */
import http from 'node:http';
import type { AddressInfo } from 'node:net';
import { forecastFor } from './forecast';

const DATE = /^\d{4}-\d{2}-\d{2}$/;
const TIME = /^([01]\d|2[0-3]):[0-5]\d$/;

/** Serves the made-up weather on this machine only. @param port any free one for 0. */
export function serveWeather(port = 0): Promise<{ url: string; stop: () => void }> {
  const server = http.createServer((req, res) => {
    const { pathname, searchParams } = new URL(req.url ?? '/', 'http://localhost');
    const [date, time] = [searchParams.get('date') ?? '', searchParams.get('time') ?? ''];
    const isAsked = req.method === 'GET' && pathname === '/forecast';
    const isKnown = DATE.test(date) && TIME.test(time) && !Number.isNaN(Date.parse(date));
    const body =
      isAsked && isKnown ? forecastFor(date, time) : { error: 'Ask for /forecast?date=YYYY-MM-DD&time=HH:MM.' };
    res.writeHead(isAsked ? (isKnown ? 200 : 400) : 404, { 'content-type': 'application/json' });
    res.end(JSON.stringify(body));
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => {
      // It must not keep the process alive by itself.
      server.unref();
      const { port: listeningOn } = server.address() as AddressInfo;
      resolve({ url: `http://127.0.0.1:${listeningOn}`, stop: () => void server.close() });
    });
  });
}
