/**
 * Benches: how fast it is, against a baseline measured in the same run. Nothing is asserted.
 *   npm run bench              everything
 *   npm run bench -- curves    only these
 */
import { curves } from './curves';
import { firstLoad } from './firstLoad';
import { language } from './language';
import { layOut } from './layOut';
import { list } from './list';
import { loop } from './loop';
import { oracle } from './oracle/oracle';
import { phones } from './phones';
import { planning } from './planning';
import { reading } from './reading';
import { screens } from './screens';
import { season } from './season';
import { seasons } from './seasons';
import { storyBench as story } from './story';
import { taps } from './taps';
import { trackside } from './trackside';
import { writing } from './writing';

const BENCHES = {
  curves,
  firstLoad,
  language,
  layOut,
  list,
  loop,
  oracle,
  phones,
  planning,
  reading,
  screens,
  season,
  seasons,
  story,
  taps,
  trackside,
  writing,
};

async function main(): Promise<void> {
  const chosen = process.argv.slice(2);
  for (const [name, bench] of Object.entries(BENCHES)) if (chosen.length === 0 || chosen.includes(name)) await bench();
}

void main();
