import { createApi, fetchBaseQuery, type FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import type { AthleteInput, SessionInput } from '@core/formats/schemas';
import type { RunSummary } from '@core/review/summary';
import type { RunEvent } from '@core/trackside/events';
import type { Plan } from '@core/trackside/plan';

export type Athlete = AthleteInput & { id: string };
export type Session = SessionInput & { id: string };
export type ListedRun = { id: string; sessionId: string; title: string; date: string; summary: RunSummary };

/** The server's resources, cached; a write makes what it changed be read again. */
export const api = createApi({
  baseQuery: fetchBaseQuery({ baseUrl: '/api' }),
  tagTypes: ['athletes', 'sessions', 'runs'],
  refetchOnReconnect: true,
  endpoints: (build) => ({
    athletes: build.query<Athlete[], void>({ query: () => 'athletes', providesTags: ['athletes'] }),
    putAthlete: build.mutation<Athlete, Athlete>({
      query: ({ id, ...body }) => ({ url: `athletes/${id}`, method: 'PUT', body }),
      invalidatesTags: ['athletes'],
    }),
    removeAthlete: build.mutation<void, string>({
      query: (id) => ({ url: `athletes/${id}`, method: 'DELETE' }),
      invalidatesTags: ['athletes'],
    }),
    restoreAthlete: build.mutation<void, string>({
      query: (id) => ({ url: `athletes/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['athletes'],
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
  usePutAthleteMutation,
  useRemoveAthleteMutation,
  useRestoreAthleteMutation,
  useSessionsQuery,
  usePutSessionMutation,
  useRemoveSessionMutation,
  useRestoreSessionMutation,
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
