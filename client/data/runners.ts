import type { Telling } from '@core/outlook/calibration';
import type { Runner } from '@core/planning/athletePlans';
import { startsAtLeast, type SquadMember } from '@core/squad/athlete';
import { pacesOf, type SquadView } from './useSquad';

const thousandths = (value: number) => Math.round(value * 1000) / 1000;

/** As much of a calibration as a plan stores. */
const rounded = ({ a, g }: Telling): Telling => ({ a: thousandths(a), g: thousandths(g) });

/** Athletes as plans are made for them on a day (YYYY-MM-DD). @param tellings how they tell effort, by athlete, where that is known. */
export function runnersOf(
  athletes: readonly SquadMember[],
  squad: SquadView,
  date: string,
  tellings: Readonly<Record<string, Telling>> = {},
): Runner[] {
  return athletes.map((athlete) => {
    const { id, name, tileName, chip } = athlete;
    const telling = tellings[id];
    return {
      id,
      name,
      tileName,
      ...(chip === undefined ? {} : { chip }),
      ...(telling ? { telling: rounded(telling) } : {}),
      paces: pacesOf(athlete, squad, date),
      startsAtLeast: startsAtLeast(athlete, date, squad.settings.club?.youngUnder),
    };
  });
}
