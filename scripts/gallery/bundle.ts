import { build, type Plugin } from 'esbuild';
import fs from 'node:fs/promises';
import path from 'node:path';
import { copyFonts } from '../fonts.cjs';
import { standIn } from '../../replacedModules.cjs';

const ROOT = path.join(__dirname, '../..');
const FOLDER = path.join(ROOT, 'node_modules/.cache/zest/gallery');

/** The same modules left out or replaced as in the app. */
const asInTheApp: Plugin = {
  name: 'as-in-the-app',
  setup({ onResolve, onLoad }) {
    onResolve({ filter: /./ }, ({ path: moduleName, importer }) => {
      const instead = standIn(moduleName, importer);
      if (instead === undefined) return undefined;
      return instead === 'nothing' ? { path: moduleName, namespace: 'nothing' } : { path: instead };
    });
    onLoad({ filter: /./, namespace: 'nothing' }, () => ({ contents: 'module.exports = {}' }));
  },
};

/** Makes the gallery's page, without the app's own build. @returns the folder it is in. */
export async function bundleGallery(): Promise<string> {
  await fs.mkdir(FOLDER, { recursive: true });
  await build({
    entryPoints: [path.join(__dirname, 'page.tsx')],
    outfile: path.join(FOLDER, 'gallery.js'),
    bundle: true,
    platform: 'browser',
    target: 'es2022',
    jsx: 'automatic',
    mainFields: ['module', 'main'],
    resolveExtensions: ['.web.tsx', '.web.ts', '.web.js', '.tsx', '.ts', '.jsx', '.js', '.json'],
    loader: { '.js': 'jsx', '.png': 'empty' },
    alias: { 'react-native': 'react-native-web', 'expo-router': path.join(__dirname, 'router.tsx') },
    define: {
      'process.env.NODE_ENV': '"production"',
      'process.env.EXPO_OS': '"web"',
      __DEV__: 'false',
      global: 'window',
    },
    plugins: [asInTheApp],
    logLevel: 'error',
  });
  await fs.copyFile(path.join(ROOT, 'public/page.css'), path.join(FOLDER, 'page.css'));
  copyFonts(path.join(FOLDER, 'fonts'));
  await fs.copyFile(path.join(__dirname, 'page.html'), path.join(FOLDER, 'index.html'));
  return FOLDER;
}
