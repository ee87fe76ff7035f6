import { CLUB, RunningApp } from './app';
import { bundled } from './bundle';

/** What every journey needs, made once for all workers: the servers as bundles, and the demo club in a folder, of which each takes a copy. */
export default async function globalSetup(): Promise<() => Promise<void>> {
  await Promise.all([bundled('demo/main.ts'), bundled('server/main.ts')]);
  const club = new RunningApp('demo/main.ts');
  await club.start();
  await club.kill();
  process.env[CLUB] = club.folder;
  return () => club.close();
}
