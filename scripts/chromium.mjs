import fs from 'node:fs';

/** Where Debian's Chromium is, or undefined. `CHROMIUM` names another. */
export function findChromium() {
  return [process.env.CHROMIUM, '/usr/bin/chromium'].find((file) => file && fs.existsSync(file));
}
