import { DataError } from './db/dataError';
import { serve, type ServeOptions } from './serve';
import { chosenDataFolder, chosenReach, DEFAULT_PORT, portIn } from './settings';

export type StartOptions = Partial<Pick<ServeOptions, 'kind' | 'folder' | 'prepare' | 'weatherUrl'>>;

/**
 * Starts the server as the environment says, on this machine if it says nothing, and prints its address.
 * A problem that a person can put right ends the process with one sentence and exit code 1.
 */
export async function start({
  kind = 'club',
  folder = chosenDataFolder(),
  prepare,
  weatherUrl = process.env.ZEST_WEATHER,
}: StartOptions = {}): Promise<void> {
  // Files we write are for this user alone.
  process.umask(0o077);
  try {
    const loopPort = portIn('ZEST_LOOP');
    const port = portIn('PORT') ?? DEFAULT_PORT;
    const serving = await serve({ kind, folder, port, reach: chosenReach(), loopPort, prepare, weatherUrl });
    if (serving.loopPort !== undefined) console.log(`Timing loops are heard at 127.0.0.1:${serving.loopPort}`);
    else if (loopPort !== undefined)
      console.error(`Timing loops are not heard: port ${loopPort} is in use. Set ZEST_LOOP to another.`);
    console.log(`Zest Lap is at ${serving.url}`);
    const stop = () => void serving.stop().then(() => process.exit(0));
    process.once('SIGINT', stop);
    process.once('SIGTERM', stop);
  } catch (error) {
    if (!(error instanceof DataError)) throw error;
    console.error(error.message);
    process.exitCode = 1;
  }
}
