import { createApi, fetchBaseQuery, type FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import type { BookChange, BookSession, BookVersion, Progression } from '@core/book/bookSession';
import type { SessionInput } from '@core/formats/schemas';
import type { PaceBook } from '@core/paces/paceBook';
import type { RunSummary } from '@core/review/summary';
import type { SquadMember } from '@core/squad/athlete';
import type { SquadSettings } from '@core/squad/squadSettings';
import type { SquadChange } from '@core/squad/change';
import type { RunEvent } from '@core/trackside/events';
import type { Plan } from '@core/trackside/plan';

export type Session = SessionInput & { id: string };
/** What the server keeps of the book: starter sessions are in it once the coach has changed them. */
export type KeptBook = { sessions: BookSession[]; progressions: Progression[] };
export type ListedRun = { id: string; sessionId: string; title: string; date: string; summary: RunSummary };

/** The server's resources, cached; a write makes what it changed be read again. */
export const api = createApi({
  baseQuery: fetchBaseQuery({ baseUrl: '/api' }),
  tagTypes: ['athletes', 'squad', 'paceBooks', 'sessions', 'book', 'runs'],
  refetchOnReconnect: true,
  endpoints: (build) => ({
    athletes: build.query<SquadMember[], void>({ query: () => 'athletes', providesTags: ['athletes'] }),
    squad: build.query<SquadSettings, void>({ query: () => 'squad', providesTags: ['squad'] }),
    changeSquad: build.mutation<void, SquadChange>({
      query: (body) => ({ url: 'squad/changes', method: 'POST', body }),
      invalidatesTags: (_none, error, { athletes, groups, guides, paceBookId, removedIds }) =>
        error
          ? []
          : [
              ...(athletes || removedIds || groups ? (['athletes'] as const) : []),
              ...(groups || paceBookId !== undefined || guides !== undefined ? (['squad'] as const) : []),
            ],
    }),
    eraseAthlete: build.mutation<void, string>({
      query: (id) => ({ url: `athletes/${id}/erase`, method: 'POST' }),
      invalidatesTags: ['athletes', 'runs'],
    }),
    paceBooks: build.query<PaceBook[], void>({ query: () => 'pace-books', providesTags: ['paceBooks'] }),
    putPaceBook: build.mutation<PaceBook, PaceBook>({
      query: ({ id, ...body }) => ({ url: `pace-books/${id}`, method: 'PUT', body }),
      invalidatesTags: ['paceBooks'],
    }),
    removePaceBook: build.mutation<void, string>({
      query: (id) => ({ url: `pace-books/${id}`, method: 'DELETE' }),
      invalidatesTags: ['paceBooks'],
    }),
    restorePaceBook: build.mutation<void, string>({
      query: (id) => ({ url: `pace-books/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['paceBooks'],
    }),
    sessions: build.query<Session[], void>({ query: () => 'sessions', providesTags: ['sessions'] }),
    putSession: build.mutation<Session, Session>({
      query: ({ id, ...body }) => ({ url: `sessions/${id}`, method: 'PUT', body }),
      invalidatesTags: ['sessions'],
    }),
    removeSession: build.mutation<void, string>({
      query: (id) => ({ url: `sessions/${id}`, method: 'DELETE' }),
      invalidatesTags: ['sessions'],
    }),
    restoreSession: build.mutation<void, string>({
      query: (id) => ({ url: `sessions/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['sessions'],
    }),
    book: build.query<KeptBook, void>({ query: () => 'book', providesTags: ['book'] }),
    changeBook: build.mutation<void, BookChange>({
      query: (body) => ({ url: 'book/changes', method: 'POST', body }),
      invalidatesTags: ['book'],
    }),
    bookVersions: build.query<BookVersion[], string>({
      query: (id) => `book/${id}/versions`,
      providesTags: ['book', 'runs'],
    }),
    runs: build.query<ListedRun[], void>({ query: () => 'runs', providesTags: ['runs'] }),
    run: build.query<{ plan: Plan; events: RunEvent[] }, string>({
      query: (id) => `runs/${id}`,
      providesTags: ['runs'],
      keepUnusedDataFor: 0,
    }),
  }),
});

export const {
  useAthletesQuery,
  useSquadQuery,
  useChangeSquadMutation,
  useEraseAthleteMutation,
  usePaceBooksQuery,
  usePutPaceBookMutation,
  useRemovePaceBookMutation,
  useRestorePaceBookMutation,
  useSessionsQuery,
  usePutSessionMutation,
  useRemoveSessionMutation,
  useRestoreSessionMutation,
  useBookQuery,
  useChangeBookMutation,
  useBookVersionsQuery,
  useRunsQuery,
  useRunQuery,
} = api;

/** The server's refusal as a sentence for the coach. */
export function troubleText(error: unknown): string {
  const failed = error as FetchBaseQueryError | undefined;
  const data = failed && 'data' in failed ? (failed.data as { error?: { message?: string } } | undefined) : undefined;
  if (typeof data?.error?.message === 'string') return data.error.message;
  return 'The server cannot be reached. What you typed is still here; check that it is running and try again.';
}
