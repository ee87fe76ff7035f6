import { useCallback, useState } from 'react';
import { changeSeason, type SeasonChange } from '@core/season/changes';
import { compareSeasons, type SeasonDifference } from '@core/season/difference';
import type { SeasonPlan } from '@core/season/season';
import { weeksOf, type LaidSeason } from './useSeasons';
import { today } from '../ui/days';
import { useKeepSeasons } from './useKeepSeasons';

/** A change that moves more than what was touched: shown before it is made. */
export type Proposed = { next: SeasonPlan; difference: SeasonDifference; text: string };

/** This many sessions may move without asking: the dragged one, and the one it swapped with. */
const WITHOUT_ASKING = 2;

export type SeasonEdit = {
  proposed: Proposed | undefined;
  /** Makes a change, or proposes it where it moves more. @param says what it is: `The race is moved.` */
  change: (change: SeasonChange, noticeText: string) => void;
  /** The same, without asking. */
  apply: (change: SeasonChange, noticeText: string) => Promise<boolean>;
  take: () => void;
  leave: () => void;
};

/** Changes a season: days before today stay, the rest is laid out again, and one Undo takes all of it back. */
export function useSeasonEdit({ id, version, season }: LaidSeason): SeasonEdit {
  const keepAll = useKeepSeasons();
  const [proposed, setProposed] = useState<Proposed>();
  const keep = useCallback(
    (next: SeasonPlan, noticeText: string) => keepAll([{ before: { id, version, season }, next }], noticeText),
    [id, version, season, keepAll],
  );
  const laidOut = useCallback(
    (change: SeasonChange) => {
      const next = changeSeason(season, change, today());
      return { next, difference: compareSeasons(weeksOf(season), weeksOf(next), today()) };
    },
    [season],
  );
  const change = useCallback(
    (wanted: SeasonChange, noticeText: string) => {
      const { next, difference } = laidOut(wanted);
      if (difference.moves.length > WITHOUT_ASKING) setProposed({ next, difference, text: noticeText });
      else void keep(next, noticeText);
    },
    [laidOut, keep],
  );
  const apply = useCallback(
    (wanted: SeasonChange, noticeText: string) => keep(laidOut(wanted).next, noticeText),
    [laidOut, keep],
  );
  const take = () => {
    if (!proposed) return;
    setProposed(undefined);
    void keep(proposed.next, `${proposed.text} ${proposed.difference.text}`);
  };
  return { proposed, change, apply, take, leave: () => setProposed(undefined) };
}
