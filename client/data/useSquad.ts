import { useMemo } from 'react';
import { courseOffsets } from '@core/fitness/courseOffsets';
import { isOnTrack } from '@core/fitness/mark';
import type { CourseOffsets } from '@core/fitness/weighing';
import type { PaceBook } from '@core/paces/paceBook';
import { PACE_NAMES } from '@core/session/paceNames';
import { curveBook, SHIPPED_PACE_BOOKS } from '@core/paces/shippedPaceBooks';
import { athletePaces, paceBookById, type AthletePaces } from '@core/squad/athletePaces';
import type { SquadMember } from '@core/squad/athlete';
import { schoolsOf } from '@core/squad/schools';
import type { SquadSettings } from '@core/squad/squadSettings';
import { useAthletesQuery, usePaceBooksQuery, useSquadQuery } from '../store/api';

/** The squad as the screens need it. */
export type SquadView = {
  settings: SquadSettings;
  /** Those who are in it, and those who have left. */
  athletes: SquadMember[];
  archived: SquadMember[];
  /** Shipped books first, then the coach's own. */
  books: PaceBook[];
  /** Every pace name that a session may use. */
  paceNames: readonly string[];
};

/** Those who are in it, and those who have left. */
export const everyoneIn = ({ athletes, archived }: Pick<SquadView, 'athletes' | 'archived'>): SquadMember[] => [
  ...athletes,
  ...archived,
];

export const memberOf = (squad: SquadView, athleteId: string): SquadMember | undefined =>
  everyoneIn(squad).find(({ id }) => id === athleteId);

/** A squad with nobody in it, for while it is not known. */
export const NOBODY: SquadView = {
  settings: { paceBookId: curveBook.id, groups: [] },
  athletes: [],
  archived: [],
  books: [...SHIPPED_PACE_BOOKS],
  paceNames: PACE_NAMES,
};

/** The squad with its groups and pace books, once all of it is here; else what went wrong. */
export function useSquad(): { squad: SquadView | undefined; error: unknown; retry: () => void } {
  const athletes = useAthletesQuery();
  const settings = useSquadQuery();
  const ownPaceBooks = usePaceBooksQuery();
  const squad = useMemo((): SquadView | undefined => {
    if (!athletes.data || !settings.data || !ownPaceBooks.data) return undefined;
    const books = [...SHIPPED_PACE_BOOKS, ...ownPaceBooks.data];
    return {
      settings: settings.data,
      athletes: athletes.data.filter(({ archived }) => !archived),
      archived: athletes.data.filter(({ archived }) => archived),
      books,
      paceNames: [
        ...new Set([...PACE_NAMES, ...ownPaceBooks.data.flatMap(({ entries }) => entries.map(({ name }) => name))]),
      ],
    };
  }, [athletes.data, settings.data, ownPaceBooks.data]);
  const retry = () => {
    for (const query of [athletes, settings, ownPaceBooks]) if (!query.data) void query.refetch();
  };
  return { squad, error: athletes.error ?? settings.error ?? ownPaceBooks.error, retry };
}

/** Every pace name that a session may use; those of every book until the coach's own are known. */
export function usePaceNames(): readonly string[] {
  return useSquad().squad?.paceNames ?? PACE_NAMES;
}

/** The pace book of the squad. */
export const squadPaceBookOf = ({ books, settings }: Pick<SquadView, 'books' | 'settings'>): PaceBook =>
  paceBookById(books, settings.paceBookId);

export const paceBookOf = (athlete: SquadMember, { books, settings }: SquadView): PaceBook =>
  paceBookById(books, athlete.paceBookId ?? settings.paceBookId);

/** Course offsets learned from the squad's marks, cached for squad and day. */
const learned = new WeakMap<SquadView, { asOf: string; courses: CourseOffsets }>();

export function coursesOf(squad: SquadView, asOf: string): CourseOffsets {
  const before = learned.get(squad);
  if (before?.asOf === asOf) return before.courses;
  const courses = courseOffsets(everyoneIn(squad), asOf);
  learned.set(squad, { asOf, courses });
  return courses;
}

/** Curves are slow to fit on a phone: cached for athlete, book and day. */
const cache = new WeakMap<
  SquadMember,
  { book: PaceBook; asOf: string; courses: CourseOffsets | undefined; stridesBy: string; paces: AthletePaces }
>();

/** One athlete's curves and book on a day (YYYY-MM-DD). */
export function pacesOf(athlete: SquadMember, squad: SquadView, asOf: string): AthletePaces {
  const book = paceBookOf(athlete, squad);
  const before = cache.get(athlete);
  // Only athletes with marks off the track depend on the others' marks.
  const courses = athlete.marks.every(isOnTrack) ? undefined : coursesOf(squad, asOf);
  const { stridesBy } = schoolsOf(squad.settings);
  const isSame =
    before?.book === book && before.asOf === asOf && before.courses === courses && before.stridesBy === stridesBy;
  if (isSame) return before.paces;
  const paces = athletePaces(athlete, book, asOf, { ...(courses ? { courses } : {}), stridesBy });
  cache.set(athlete, { book, asOf, courses, stridesBy, paces });
  return paces;
}
