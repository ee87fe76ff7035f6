/** The typeface comes with a package; the page asks for it under /fonts. */
const fs = require('node:fs');
const path = require('node:path');

const FROM = path.join(__dirname, '../node_modules/@fontsource/barlow-semi-condensed');

/** Copies the files that page.css names, and the licence, into a folder. */
exports.copyFonts = (to) => {
  fs.mkdirSync(to, { recursive: true });
  for (const weight of [500, 700])
    for (const letters of ['latin', 'latin-ext']) {
      const name = `barlow-semi-condensed-${letters}-${weight}-normal.woff2`;
      fs.copyFileSync(path.join(FROM, 'files', name), path.join(to, name));
    }
  fs.copyFileSync(path.join(FROM, 'LICENSE'), path.join(to, 'LICENSE.txt'));
};
