/** Checks about the athletes of a season. */
import { ageInYear, BASE_KM, FEW_WEEKS, hasRunningBase, YOUNG_UNDER, type SquadMember } from '../../squad/athlete';
import { dayNumber } from '../../units/dayNumber';
import { listed } from '../../units/listed';
import { isAhead, type SeasonCheck, type CheckRule } from './checkRule';
import { exceptionOn, EXCEPTION_WORDS } from '../exceptions';
import { racesOf } from '../phases';
import type { SeasonDay } from '../season';

const FAST = new Set(['aerobic-power', 'race-pace', 'speed', 'test', 'indicator', 'rehearsal']);

const fastWithoutBase: CheckRule = ({ days, season, context }) => {
  const isOut = (date: string, id: string) =>
    (context.planned ?? []).some((day) => day.date === date && day.notIds?.includes(id));
  const fewOn = ({ date }: SeasonDay) =>
    (context.athletes ?? []).filter((athlete) => !hasRunningBase(athlete, date) && !isOut(date, athlete.id));
  const first = days.find(
    (day) =>
      day.kind === 'hard' &&
      day.intent !== undefined &&
      FAST.has(day.intent) &&
      isAhead(day, context) &&
      fewOn(day).length > 0,
  );
  if (!first) return [];
  const few = fewOn(first);
  const names = listed(few.map(({ tileName }) => tileName));
  const text = `Fast work without a running base (${FEW_WEEKS} weeks, and ${BASE_KM} km a week) behind ${names}: easy running and strides first, or fewer reps for them.`;
  const place = season.phases.findIndex(({ phase }) => phase === 'base');
  const weeks = place < 0 ? undefined : season.phases[place]?.weeks;
  return [
    {
      code: 'fast-without-base',
      date: first.date,
      text,
      ...(weeks === undefined
        ? {}
        : { mend: { text: 'Two more weeks of base', change: { kind: 'phaseWeeks', place, weeks: weeks + 2 } } }),
    },
  ];
};

const isYoung = (date: string) => (athlete: SquadMember) => (ageInYear(athlete, date) ?? YOUNG_UNDER) < YOUNG_UNDER;

const young: CheckRule = ({ weeks, season, context }) => {
  const names = listed((context.athletes ?? []).filter(isYoung(season.firstDay)).map(({ tileName }) => tileName));
  if (names === '') return [];
  const first = weeks.find(({ days }) => days.filter(({ kind }) => kind === 'hard').length > 2);
  const third = first?.days.filter(({ kind }) => kind === 'hard')[2];
  const tooMany: SeasonCheck[] = third
    ? [
        {
          code: 'young-hard-days',
          date: third.date,
          text: `More than two hard days a week for ${names} (under ${YOUNG_UNDER}): two are enough, with other sport beside them.`,
        },
      ]
    : [];
  const races = racesOf(season);
  const youngIds = new Set((context.athletes ?? []).filter(isYoung(season.firstDay)).map(({ id }) => id));
  const runs = (entries: readonly { athleteId: string }[] | undefined) =>
    new Set((entries ?? []).map(({ athleteId }) => athleteId).filter((id) => youngIds.has(id)));
  const following = races.flatMap((race, i): SeasonCheck[] => {
    const next = races[i + 1];
    if (!next || dayNumber(next.date) - dayNumber(race.date) !== 1) return [];
    const both = [...runs(race.entries)].filter((id) => runs(next.entries).has(id));
    const who = listed((context.athletes ?? []).filter(({ id }) => both.includes(id)).map(({ tileName }) => tileName));
    return who === ''
      ? []
      : [{ code: 'young-races', date: next.date, text: `Races on following days for ${who} (under ${YOUNG_UNDER}).` }];
  });
  return [...tooMany, ...following];
};

const unknownException: CheckRule = ({ season, context }) =>
  (context.planned ?? []).flatMap(({ date, athleteIds }) =>
    athleteIds.flatMap((athleteId): SeasonCheck[] => {
      const found = exceptionOn(season.exceptions, athleteId, date);
      if (!found || found.isEasing) return [];
      const name = context.athletes?.find(({ id }) => id === athleteId)?.tileName ?? 'Somebody';
      const text = `${name} is ticked for this day, but ${found.exception.kind === 'race' ? '' : 'is '}${EXCEPTION_WORDS[found.exception.kind]} then.`;
      return [{ code: 'exception-unknown', date, text }];
    }),
  );

const heat: CheckRule = ({ days, context }) => {
  const months = new Set(context.heatMonths ?? []);
  const first = days.find(
    ({ kind, date }) => (kind === 'hard' || kind === 'race') && months.has(Number(date.slice(5, 7))),
  );
  if (!first) return [];
  const text =
    'Hard days in the hot months: early or late in the day, shade and water, fewer reps; the club’s own rules for heat come first.';
  return [{ code: 'heat', date: first.date, text }];
};

export const ATHLETE_CHECKS: readonly CheckRule[] = [fastWithoutBase, young, unknownException, heat];
