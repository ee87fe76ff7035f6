import { createApi, type FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import type { LibraryChange, LibraryVersion } from '@core/library/librarySession';
import type {
  Access,
  DateRange,
  JoinCode,
  StoredLibrary,
  ListedRun,
  NoteOn,
  ScheduledSession,
} from '@core/api/answers';
import type { ResultRow } from '@core/formats/resultsCsv';
import type { VenueInput } from '@core/api/dayPlanSchema';
import type { DayPlan } from '@core/planning/dayPlan';
import type { Weather } from '@core/squad/heat';
import type { Calibration } from '@core/outlook/calibration';
import type { PaceBook } from '@core/paces/paceBook';
import type { History, LastTime, SameSessions, SquadHistory, Standing } from '@core/review/history';
import type { SeasonPlan, StoredSeason } from '@core/season/season';
import type { SquadMember } from '@core/squad/athlete';
import type { SquadSettings } from '@core/squad/squadSettings';
import type { SquadChange } from '@core/squad/change';
import type { OwnVenue } from '@core/venue/ownVenue';
import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { baseQuery } from './baseQuery';

/** Plans under way to the server, by session: how many, and what it last took. */
const planWrites = new Map<string, { waiting: number; stored: DayPlan | undefined }>();

/** The server's resources, cached by RTK Query; a write invalidates what it changed. */
export const api = createApi({
  baseQuery,
  tagTypes: ['athletes', 'squad', 'paceBooks', 'sessions', 'library', 'runs', 'venues', 'seasons'],
  refetchOnReconnect: true,
  endpoints: (build) => ({
    athletes: build.query<SquadMember[], void>({ query: () => 'athletes', providesTags: ['athletes'] }),
    squad: build.query<SquadSettings, void>({ query: () => 'squad', providesTags: ['squad'] }),
    changeSquad: build.mutation<void, SquadChange>({
      query: (body) => ({ url: 'squad/changes', method: 'POST', body }),
      invalidatesTags: (_none, error, { athletes, removedIds, ...settings }) =>
        error
          ? []
          : [
              ...(athletes || removedIds || settings.groups ? (['athletes'] as const) : []),
              ...(Object.values(settings).some((setting) => setting !== undefined) ? (['squad'] as const) : []),
            ],
    }),
    eraseAthlete: build.mutation<void, string>({
      query: (id) => ({ url: `athletes/${id}/erase`, method: 'POST' }),
      invalidatesTags: ['athletes', 'runs', 'seasons'],
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
    sessions: build.query<ScheduledSession[], void>({ query: () => 'sessions', providesTags: ['sessions'] }),
    putSession: build.mutation<ScheduledSession, ScheduledSession>({
      query: ({ id, plan: _apart, ...body }) => ({ url: `sessions/${id}`, method: 'PUT', body }),
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
    /** Optimistic: shown at once, and rolled back if the server refuses. */
    putDayPlan: build.mutation<DayPlan, { sessionId: string; plan: DayPlan }>({
      query: ({ sessionId, plan }) => ({ url: `sessions/${sessionId}/plan`, method: 'PUT', body: plan }),
      onQueryStarted: async ({ sessionId, plan }, { dispatch, getState, queryFulfilled }) => {
        const show = (shown: DayPlan | undefined) =>
          dispatch(
            api.util.updateQueryData('sessions', undefined, (sessions) => {
              const session = sessions.find(({ id }) => id === sessionId);
              if (!session) return;
              if (shown) session.plan = shown;
              else delete session.plan;
            }),
          );
        const { data = [] } = api.endpoints.sessions.select()(getState() as never);
        const writes = planWrites.get(sessionId) ?? {
          waiting: 0,
          stored: data.find(({ id }) => id === sessionId)?.plan,
        };
        planWrites.set(sessionId, writes);
        writes.waiting += 1;
        show(plan);
        const isStored = await queryFulfilled.then(
          () => true,
          () => false,
        );
        writes.waiting -= 1;
        if (isStored) writes.stored = plan;
        if (writes.waiting > 0) return;
        // Only when the last queued write is done: a refused one never overwrites those after it.
        planWrites.delete(sessionId);
        if (!isStored) show(writes.stored);
      },
    }),
    seasons: build.query<StoredSeason[], void>({ query: () => 'seasons', providesTags: ['seasons'] }),
    /** @param version the one it was changed from; refused if somebody else has changed it since. */
    putSeason: build.mutation<StoredSeason, { id: string; version: number; season: SeasonPlan }>({
      query: ({ id, ...body }) => ({ url: `seasons/${id}`, method: 'PUT', body }),
      // Sessions that were written for a day go with it.
      invalidatesTags: ['seasons', 'sessions'],
      onQueryStarted: async (_sent, { dispatch, queryFulfilled }) => {
        const kept = await queryFulfilled.then(
          ({ data }) => data,
          () => undefined,
        );
        if (kept) dispatch(withSeason(kept));
      },
    }),
    removeSeason: build.mutation<void, string>({
      query: (id) => ({ url: `seasons/${id}`, method: 'DELETE' }),
      invalidatesTags: ['seasons'],
    }),
    restoreSeason: build.mutation<void, string>({
      query: (id) => ({ url: `seasons/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['seasons'],
    }),
    /** Writes the session of a hard day, with this id unless it was written already. */
    writeDay: build.mutation<
      StoredSeason & { sessionId: string },
      { seasonId: string; date: string; sessionId: string; startTime?: string }
    >({
      query: ({ seasonId, ...body }) => ({ url: `seasons/${seasonId}/days`, method: 'POST', body }),
      invalidatesTags: ['seasons', 'sessions'],
      onQueryStarted: async (_sent, { dispatch, queryFulfilled }) => {
        const kept = await queryFulfilled.then(
          ({ data }) => data,
          () => undefined,
        );
        if (kept) dispatch(withSeason({ id: kept.id, version: kept.version, season: kept.season }));
      },
    }),
    venues: build.query<OwnVenue[], void>({ query: () => 'venues', providesTags: ['venues'] }),
    putVenue: build.mutation<OwnVenue, { id: string } & VenueInput>({
      query: ({ id, ...body }) => ({ url: `venues/${id}`, method: 'PUT', body }),
      invalidatesTags: ['venues'],
    }),
    removeVenue: build.mutation<void, string>({
      query: (id) => ({ url: `venues/${id}`, method: 'DELETE' }),
      invalidatesTags: ['venues'],
    }),
    restoreVenue: build.mutation<void, string>({
      query: (id) => ({ url: `venues/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['venues'],
    }),
    /** Null where it is not known. */
    weather: build.query<Weather | null, { date: string; time: string }>({
      query: (params) => ({ url: 'weather', params }),
    }),
    library: build.query<StoredLibrary, void>({ query: () => 'library', providesTags: ['library'] }),
    changeLibrary: build.mutation<void, LibraryChange>({
      query: (body) => ({ url: 'library/changes', method: 'POST', body }),
      invalidatesTags: ['library'],
    }),
    libraryVersions: build.query<LibraryVersion[], string>({
      query: (id) => `library/${id}/versions`,
      providesTags: ['library', 'runs'],
    }),
    access: build.query<Access, void>({ query: () => 'access' }),
    unlock: build.mutation<void, { passphrase: string }>({
      query: (body) => ({ url: 'access/passphrase', method: 'POST', body }),
    }),
    join: build.mutation<{ runId: string }, { code: string; deviceId: string }>({
      query: (body) => ({ url: 'access/join', method: 'POST', body }),
    }),
    makeCode: build.mutation<JoinCode, { runId: string }>({
      query: (body) => ({ url: 'access/codes', method: 'POST', body }),
    }),
    runs: build.query<ListedRun[], void>({ query: () => 'runs', providesTags: ['runs'] }),
    setRunAside: build.mutation<void, string>({
      query: (id) => ({ url: `runs/${id}`, method: 'DELETE' }),
      invalidatesTags: ['runs'],
    }),
    restoreRun: build.mutation<void, string>({
      query: (id) => ({ url: `runs/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['runs'],
    }),
    sameSessions: build.query<SameSessions, { runId: string; athleteId?: string }>({
      // Hundreds of rows that are replaced as a whole: structural sharing would only cost time.
      structuralSharing: false,
      query: ({ runId, athleteId }) => ({
        url: `review/runs/${runId}/same`,
        params: athleteId === undefined ? {} : { athlete: athleteId },
      }),
      providesTags: ['runs'],
    }),
    athleteHistory: build.query<History & { notes: NoteOn[] }, { athleteId: string } & DateRange>({
      // Hundreds of rows that are replaced as a whole: structural sharing would only cost time.
      structuralSharing: false,
      query: ({ athleteId, ...params }) => ({ url: `review/athletes/${athleteId}`, params }),
      providesTags: ['runs'],
    }),
    standings: build.query<Standing[], string>({
      query: (progressionId) => `review/progressions/${progressionId}`,
      providesTags: ['runs', 'library', 'athletes'],
    }),
    /** How each athlete tells effort, from sessions before a day. */
    calibrations: build.query<Record<string, Calibration>, string>({
      query: (before) => ({ url: 'review/calibrations', params: { before } }),
      providesTags: ['runs', 'athletes'],
    }),
    resultRows: build.query<ResultRow[], DateRange & { athleteId?: string }>({
      query: ({ athleteId, ...window }) => ({
        url: 'review/reps',
        params: { ...window, ...(athleteId === undefined ? {} : { athlete: athleteId }) },
      }),
      keepUnusedDataFor: 0,
    }),
    squadHistory: build.query<SquadHistory, DateRange>({
      // Hundreds of rows that are replaced as a whole: structural sharing would only cost time.
      structuralSharing: false,
      query: (params) => ({ url: 'review/squad', params }),
      providesTags: ['runs'],
    }),
    /** Null if it was never run. */
    lastTime: build.query<LastTime | null, string>({
      query: (sessionId) => `review/sessions/${sessionId}/last`,
      providesTags: ['runs'],
    }),
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
  usePutDayPlanMutation,
  useSeasonsQuery,
  usePutSeasonMutation,
  useRemoveSeasonMutation,
  useRestoreSeasonMutation,
  useWriteDayMutation,
  useVenuesQuery,
  usePutVenueMutation,
  useRemoveVenueMutation,
  useRestoreVenueMutation,
  useWeatherQuery,
  useLibraryQuery,
  useChangeLibraryMutation,
  useLibraryVersionsQuery,
  useAccessQuery,
  useUnlockMutation,
  useJoinMutation,
  useMakeCodeMutation,
  useRunsQuery,
  useRunQuery,
  useSameSessionsQuery,
  useAthleteHistoryQuery,
  useSquadHistoryQuery,
  useCalibrationsQuery,
  useStandingsQuery,
  useLazyResultRowsQuery,
  useLastTimeQuery,
  useSetRunAsideMutation,
  useRestoreRunMutation,
} = api;

/** Puts a season just saved into the cache before the list is refetched. */
const withSeason = (kept: StoredSeason) =>
  api.util.updateQueryData('seasons', undefined, (seasons) => {
    const others = seasons as StoredSeason[];
    const isKnown = others.some(({ id }) => id === kept.id);
    return (
      isKnown ? others.map((season) => (season.id === kept.id ? kept : season)) : [...others, kept]
    ) as typeof seasons;
  });

/** The server's refusal as a sentence for the coach. */
export function troubleText(error: unknown): string {
  const failed = error as FetchBaseQueryError | undefined;
  const data = failed && 'data' in failed ? (failed.data as { error?: { message?: string } } | undefined) : undefined;
  if (typeof data?.error?.message === 'string') return data.error.message;
  return 'The server cannot be reached. What you typed is still here; check that it is running and try again.';
}
