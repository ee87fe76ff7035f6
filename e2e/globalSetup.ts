import { CLUB } from './app';
import { bundled } from '../server/test/bundle';
import { OwnProcess } from './ownProcess';

/** What every journey needs, made once for all workers: the servers as bundles, and the demo club in a folder, of which each takes a copy. */
export default async function globalSetup(): Promise<() => Promise<void>> {
  await Promise.all([bundled('demo/main.ts'), bundled('e2e/host.ts')]);
  const club = new OwnProcess({ kind: 'demo' });
  await club.start();
  await club.kill();
  process.env[CLUB] = club.folder;
  return () => club.close();
}
