import type { Href } from 'expo-router';
import { useMemo } from 'react';
import { runFor } from '@core/season/dayView';
import type { CareReason } from '@core/judgement/care';
import { careText } from '@core/judgement/careWords';
import { racesToEnter, threadsToDecide, withStaleMarks } from '@core/season/due';
import type { SquadMember } from '@core/squad/athlete';
import { daysBetween } from '@core/units/dayNumber';
import { useCare, type CareView } from '../data/useCare';
import type { LaidSeason } from '../data/useSeasons';
import { pacesOf } from '../data/useSquad';
import { useAppSelector } from '../store/store';
import { dayInText } from '../ui/days';
import { useWorkedOut } from '../ui/inPieces';
import { ListPart } from '../ui/ListPart';
import { ListRow } from '../ui/ListRow';
import { checksOf } from './seasonChecks';
import type { SeasonData } from './useSeasonData';
import { wentText } from './weekView';

type Props = { seasons: readonly LaidSeason[]; data: SeasonData };

/** Days after which a session that was run is no longer put first. */
const READ_DAYS = 2;
const NAMES = 4;

type ToDo = { key: string; href: Href; title: string; detail: string };

function names(athletes: readonly SquadMember[]): string {
  const shown = athletes.slice(0, NAMES).map(({ tileName }) => tileName);
  const more = athletes.length - shown.length;
  return more > 0 ? `${shown.join(', ')} and ${more} more` : shown.join(', ');
}

/** The slow part of the list: each athlete's curve, then what there is to look at again in each season. */
function* checksInPieces({ seasons, data }: Props): Generator<() => unknown> {
  const { athletes, squad, today } = data;
  for (const athlete of athletes) yield () => pacesOf(athlete, squad, today);
  for (const laid of seasons) yield () => checksOf(laid, data);
}

/** What is to be read, entered and looked at. */
export function DueList({ seasons, data }: Props) {
  const shown = useMemo(() => ({ seasons, data }), [seasons, data]);
  return useWorkedOut(shown, checksInPieces) && <Due {...shown} />;
}

/** Care's tasks for the coach: a word with somebody, or an easier week. Standing conditions are not among them. */
function careToDo(care: CareView | undefined, athletes: readonly SquadMember[]): ToDo[] {
  return athletes.flatMap((athlete) =>
    (care?.of.get(athlete.id) ?? []).flatMap((entry): ToDo[] => {
      const asked = CARE_ASKS[entry.reason];
      if (asked === undefined) return [];
      const { runId } = entry;
      return [
        {
          key: `care ${athlete.id} ${entry.reason}`,
          href: runId === undefined ? (`/squad/${athlete.id}` as const) : (`/results/${runId}/${athlete.id}` as const),
          title: `${athlete.tileName}: ${asked}`,
          detail: careText(entry, dayInText),
        },
      ];
    }),
  );
}

/** The task itself; nothing if there is no question. */
const CARE_ASKS: Partial<Record<CareReason, string>> = {
  pain: 'is it gone?',
  unwell: 'well again?',
  niggle: 'is it gone?',
  stopped: 'why the stop?',
  creeping: 'an easier week?',
};

function Due({ seasons, data }: Props) {
  const { athletes, runs, today, km } = data;
  const care = useCare(data.squad, today);
  const read = useAppSelector((state) => state.settings.readRuns);
  const stale = withStaleMarks(athletes, today);
  const checks = seasons.map((laid) => ({ id: laid.id, name: laid.season.name, count: checksOf(laid, data).length }));
  const due: ToDo[] = [
    ...runs
      .filter(({ date, summary, isSetAside }) => {
        const ago = daysBetween(date, today);
        return !isSetAside && summary?.endedAtMs !== undefined && ago >= 0 && ago <= READ_DAYS;
      })
      .filter(({ id }) => !read.includes(id))
      .map((run) => ({
        key: run.id,
        href: `/results/${run.id}` as const,
        title: `Read: ${run.title}`,
        detail: `${dayInText(run.date)} · ${wentText(run)}`,
      })),
    ...careToDo(care, athletes),
    ...seasons.flatMap(({ id, season }) =>
      racesToEnter(season, athletes, today).map((race) => ({
        key: race.id,
        href: `/season/race/${id}/${race.id}` as const,
        title: `Enter the times of ${race.name}`,
        detail: dayInText(race.date),
      })),
    ),
    ...seasons.flatMap(({ season, weeks }) =>
      threadsToDecide(season, weeks, km.ranMinutes, today).flatMap(({ thread, ran, next }): ToDo[] => {
        const run = runFor(runs, ran.sessionId);
        return run
          ? [
              {
                key: `thread ${thread.id} ${run.id}`,
                href: `/results/${run.id}/next` as const,
                title: `What comes next: ${thread.name}?`,
                detail: `Run ${dayInText(ran.date)}, its next turn is ${dayInText(next)}`,
              },
            ]
          : [];
      }),
    ),
    ...(stale.length > 0
      ? [
          {
            key: 'stale',
            href: '/squad' as const,
            title: `${stale.length} without a mark in eight weeks`,
            detail: `${names(stale)}: a race or a trial`,
          },
        ]
      : []),
    ...checks
      .filter(({ count }) => count > 0)
      .map(({ id, name, count }) => ({
        key: `checks ${id}`,
        href: `/season/${id}` as const,
        title: count === 1 ? '1 thing to look at again' : `${count} things to look at again`,
        detail: name,
      })),
  ];
  return (
    <ListPart
      title="To do"
      rows={due.map(({ key, ...row }) => (
        <ListRow key={key} {...row} />
      ))}
    />
  );
}
