/** Compresses the files of a folder once, so that no request waits for it: brotli and gzip beside each that gets smaller. */
import fs from 'node:fs';
import path from 'node:path';
import { promisify } from 'node:util';
import zlib from 'node:zlib';

const PACKED = /\.(js|css|html|json|svg|txt|webmanifest)$/;
const FROM_BYTES = 1000;
const brotli = promisify(zlib.brotliCompress);
const gzip = promisify(zlib.gzip);

async function packFile(file) {
  const bytes = await fs.promises.readFile(file);
  if (bytes.length < FROM_BYTES) return;
  const { BROTLI_PARAM_QUALITY, BROTLI_PARAM_SIZE_HINT, BROTLI_MAX_QUALITY } = zlib.constants;
  const params = { [BROTLI_PARAM_QUALITY]: BROTLI_MAX_QUALITY, [BROTLI_PARAM_SIZE_HINT]: bytes.length };
  await fs.promises.writeFile(`${file}.br`, await brotli(bytes, { params }));
  await fs.promises.writeFile(`${file}.gz`, await gzip(bytes, { level: 9 }));
}

export async function packFolder(folder) {
  const files = fs
    .readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && PACKED.test(entry.name))
    .map((entry) => path.join(entry.parentPath, entry.name));
  await Promise.all(files.map(packFile));
}
