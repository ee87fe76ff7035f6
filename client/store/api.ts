import { createApi, type FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import type { Answers, DateRange, ListedRun, ListedSession, Page, Refusal, ScheduledSession } from '@core/api/answers';
import type { VenueInput } from '@core/api/dayPlanSchema';
import type { WriteDay } from '@core/api/seasonSchemas';
import type { LibraryChange, LibraryVersion } from '@core/library/librarySession';
import type { PaceBook } from '@core/paces/paceBook';
import type { DayPlan } from '@core/planning/dayPlan';
import type { SeasonPlan, StoredSeason } from '@core/season/season';
import type { SquadChange } from '@core/squad/change';
import { baseQuery } from './baseQuery';

/** Plans under way to the server, by session: how many, and what it last took. */
const planWrites = new Map<string, { waiting: number; stored: DayPlan | undefined }>();

/** Some days; without an end, all from a day on. */
export type Days = { from: string; to?: string };

type Cursor = string | undefined;
const BY_CURSOR = {
  infiniteQueryOptions: {
    initialPageParam: undefined as Cursor,
    getNextPageParam: ({ next }: { next?: string }) => next,
  },
};

/** What is asked for, as it stands in an address; `?` and all. */
const asked = (params: Record<string, string | undefined>): string =>
  `?${new URLSearchParams(Object.entries(params).flatMap(([name, value]) => (value === undefined ? [] : [[name, value]])))}`;

/** Whether the server takes a write. */
const isTaken = (written: PromiseLike<unknown>): PromiseLike<boolean> =>
  written.then(
    () => true,
    () => false,
  );

/** The server's resources, cached by RTK Query; a write invalidates what it changed. */
export const api = createApi({
  baseQuery,
  tagTypes: ['athletes', 'squad', 'paceBooks', 'sessions', 'library', 'runs', 'venues', 'seasons'],
  refetchOnReconnect: true,
  endpoints: (build) => ({
    athletes: build.query<Answers['GET /api/athletes'], void>({ query: () => 'athletes', providesTags: ['athletes'] }),
    squad: build.query<Answers['GET /api/squad'], void>({ query: () => 'squad', providesTags: ['squad'] }),
    changeSquad: build.mutation<void, SquadChange>({
      query: (body) => ({ url: 'squad/changes', method: 'POST', body }),
      invalidatesTags: (_none, error, { athletes, removedIds, ...settings }) =>
        error
          ? []
          : [
              ...(athletes || removedIds || settings.groups ? (['athletes'] as const) : []),
              ...(Object.keys(settings).length > 0 ? (['squad'] as const) : []),
            ],
    }),
    eraseAthlete: build.mutation<void, string>({
      query: (id) => ({ url: `athletes/${id}/erase`, method: 'POST' }),
      invalidatesTags: ['athletes', 'runs', 'seasons'],
    }),
    paceBooks: build.query<Answers['GET /api/pace-books'], void>({
      query: () => 'pace-books',
      providesTags: ['paceBooks'],
    }),
    putPaceBook: build.mutation<Answers['PUT /api/pace-books/:id'], PaceBook>({
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
    session: build.query<Answers['GET /api/sessions/:id'], string>({
      query: (id) => `sessions/${id}`,
      providesTags: ['sessions'],
    }),
    /** The sessions of some days, or all from a day on, with what is decided for them; the latest date first. */
    sessionsOn: build.query<Answers['GET /api/sessions/days'], Days>({
      query: (days) => `sessions/days${asked(days)}`,
      providesTags: ['sessions'],
    }),
    /** Sessions before a day, the latest first, page by page. */
    sessionsBefore: build.infiniteQuery<Page<ListedSession>, string, Cursor>({
      ...BY_CURSOR,
      query: ({ queryArg: before, pageParam: cursor }) => `sessions${asked({ before, cursor })}`,
      providesTags: ['sessions'],
    }),
    putSession: build.mutation<Answers['PUT /api/sessions/:id'], ScheduledSession>({
      query: ({ id, plan: _apart, ...body }) => ({ url: `sessions/${id}`, method: 'PUT', body }),
      invalidatesTags: ['sessions'],
      // A new one opens at once.
      onQueryStarted: async (sent, { dispatch, getState, queryFulfilled }) => {
        const isStored = await isTaken(queryFulfilled);
        const isKnown = api.endpoints.session.select(sent.id)(getState() as never).data !== undefined;
        if (isStored && !isKnown) void dispatch(api.util.upsertQueryData('session', sent.id, sent));
      },
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
        const show = (shown: DayPlan | undefined) => {
          const put = (session: { plan?: DayPlan } | undefined) => {
            if (!session) return;
            if (shown) session.plan = shown;
            else delete session.plan;
          };
          dispatch(api.util.updateQueryData('session', sessionId, put));
          // Asked each time: lists may have come in since the write began.
          for (const days of api.util.selectCachedArgsForQuery(getState() as never, 'sessionsOn'))
            dispatch(
              api.util.updateQueryData('sessionsOn', days, (all) => put(all.find(({ id }) => id === sessionId))),
            );
        };
        const writes = planWrites.get(sessionId) ?? {
          waiting: 0,
          stored: api.endpoints.session.select(sessionId)(getState() as never).data?.plan,
        };
        planWrites.set(sessionId, writes);
        writes.waiting += 1;
        show(plan);
        const isStored = await isTaken(queryFulfilled);
        writes.waiting -= 1;
        if (isStored) writes.stored = plan;
        if (writes.waiting > 0) return;
        // Only when the last queued write is done: a refused one never overwrites those after it.
        planWrites.delete(sessionId);
        // Show it after success too: a session that was just created may have entered the cache after this write began.
        show(writes.stored);
      },
    }),
    seasons: build.query<Answers['GET /api/seasons'], void>({ query: () => 'seasons', providesTags: ['seasons'] }),
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
    writeDay: build.mutation<Answers['POST /api/seasons/:id/days'], { seasonId: string } & WriteDay>({
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
    venues: build.query<Answers['GET /api/venues'], void>({ query: () => 'venues', providesTags: ['venues'] }),
    putVenue: build.mutation<Answers['PUT /api/venues/:id'], { id: string } & VenueInput>({
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
    weather: build.query<Answers['GET /api/weather'] | null, { date: string; time: string }>({
      query: (params) => ({ url: 'weather', params }),
    }),
    library: build.query<Answers['GET /api/library'], void>({ query: () => 'library', providesTags: ['library'] }),
    /** How often each session of the library was used, up to a day. */
    libraryUses: build.query<Answers['GET /api/library/uses'], string>({
      query: (until) => `library/uses${asked({ until })}`,
      providesTags: ['sessions'],
    }),
    changeLibrary: build.mutation<void, LibraryChange>({
      query: (body) => ({ url: 'library/changes', method: 'POST', body }),
      invalidatesTags: ['library'],
    }),
    libraryVersions: build.infiniteQuery<Page<LibraryVersion>, string, Cursor>({
      ...BY_CURSOR,
      query: ({ queryArg: id, pageParam: cursor }) => `library/${id}/versions${asked({ cursor })}`,
      providesTags: ['library', 'runs'],
    }),
    access: build.query<Answers['GET /api/access'], void>({ query: () => 'access' }),
    unlock: build.mutation<void, { passphrase: string }>({
      query: (body) => ({ url: 'access/passphrase', method: 'POST', body }),
    }),
    join: build.mutation<Answers['POST /api/access/join'], { code: string; deviceId: string }>({
      query: (body) => ({ url: 'access/join', method: 'POST', body }),
    }),
    makeCode: build.mutation<Answers['POST /api/access/codes'], { runId: string }>({
      query: (body) => ({ url: 'access/codes', method: 'POST', body }),
    }),
    /** Results, the latest first, page by page; of one session or one of the library where asked for. */
    results: build.infiniteQuery<Page<ListedRun>, { session?: string; library?: string }, Cursor>({
      ...BY_CURSOR,
      query: ({ queryArg: of, pageParam: cursor }) => `runs${asked({ ...of, cursor })}`,
      providesTags: ['runs'],
    }),
    /** What was taken to the track on some days, or from a day on; the latest first. */
    runsOn: build.query<Answers['GET /api/runs/days'], Days>({
      query: (days) => `runs/days${asked(days)}`,
      providesTags: ['runs'],
    }),
    /** What was taken to the track and has not ended. */
    openRuns: build.query<Answers['GET /api/runs/open'], void>({ query: () => 'runs/open', providesTags: ['runs'] }),
    /** What the list of results leaves out. */
    runsApart: build.query<Answers['GET /api/runs/apart'], void>({ query: () => 'runs/apart', providesTags: ['runs'] }),
    setRunAside: build.mutation<void, string>({
      query: (id) => ({ url: `runs/${id}`, method: 'DELETE' }),
      invalidatesTags: ['runs'],
    }),
    restoreRun: build.mutation<void, string>({
      query: (id) => ({ url: `runs/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['runs'],
    }),
    sameSessions: build.query<
      Answers['GET /api/review/runs/:id/same'],
      { runId: string; athleteId?: string; beside?: string }
    >({
      // Hundreds of rows that are replaced as a whole: structural sharing would only cost time.
      structuralSharing: false,
      query: ({ runId, athleteId, beside }) => ({
        url: `review/runs/${runId}/same`,
        params: {
          ...(athleteId === undefined ? {} : { athlete: athleteId }),
          ...(beside === undefined ? {} : { beside }),
        },
      }),
      providesTags: ['runs'],
    }),
    athleteHistory: build.query<Answers['GET /api/review/athletes/:id'], { athleteId: string } & DateRange>({
      // Hundreds of rows that are replaced as a whole: structural sharing would only cost time.
      structuralSharing: false,
      query: ({ athleteId, ...params }) => ({ url: `review/athletes/${athleteId}`, params }),
      providesTags: ['runs'],
    }),
    standings: build.query<Answers['GET /api/review/progressions/:id'], string>({
      query: (progressionId) => `review/progressions/${progressionId}`,
      providesTags: ['runs', 'library', 'athletes'],
    }),
    /** How each athlete tells effort, from sessions before a day. */
    calibrations: build.query<Answers['GET /api/review/calibrations'], string>({
      query: (before) => ({ url: 'review/calibrations', params: { before } }),
      providesTags: ['runs', 'athletes'],
    }),
    /** The levels that everyone's last sessions before a day showed. */
    levels: build.query<Answers['GET /api/review/levels'], string>({
      query: (before) => ({ url: 'review/levels', params: { before } }),
      providesTags: ['runs', 'athletes'],
    }),
    /** Everyone's care records up to a day. */
    careOn: build.query<Answers['GET /api/review/care'], string>({
      query: (on) => ({ url: 'review/care', params: { on } }),
      providesTags: ['runs', 'athletes'],
    }),
    resultRows: build.query<Answers['GET /api/review/reps'], DateRange & { athleteId?: string }>({
      query: ({ athleteId, ...window }) => ({
        url: 'review/reps',
        params: { ...window, ...(athleteId === undefined ? {} : { athlete: athleteId }) },
      }),
      keepUnusedDataFor: 0,
    }),
    squadHistory: build.query<Answers['GET /api/review/squad'], DateRange>({
      // Hundreds of rows that are replaced as a whole: structural sharing would only cost time.
      structuralSharing: false,
      query: (params) => ({ url: 'review/squad', params }),
      providesTags: ['runs'],
    }),
    /** Null if it was never run. */
    lastTime: build.query<Answers['GET /api/review/sessions/:id/last'], string>({
      query: (sessionId) => `review/sessions/${sessionId}/last`,
      providesTags: ['runs'],
    }),
    run: build.query<Answers['GET /api/runs/:id'], string>({
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
  useSessionQuery,
  useSessionsOnQuery,
  useSessionsBeforeInfiniteQuery,
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
  useLibraryUsesQuery,
  useLibraryVersionsInfiniteQuery,
  useAccessQuery,
  useUnlockMutation,
  useJoinMutation,
  useMakeCodeMutation,
  useResultsInfiniteQuery,
  useRunsOnQuery,
  useOpenRunsQuery,
  useRunsApartQuery,
  useRunQuery,
  useSameSessionsQuery,
  useAthleteHistoryQuery,
  useSquadHistoryQuery,
  useCalibrationsQuery,
  useLevelsQuery,
  useCareOnQuery,
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

/** True if the server says that there is no such thing, or that it was removed. */
export const isMissing = (error: unknown): boolean => (error as FetchBaseQueryError | undefined)?.status === 404;

/** The server's refusal as a sentence for the coach. */
export function troubleText(error: unknown): string {
  const failed = error as FetchBaseQueryError | undefined;
  const data = failed && 'data' in failed ? (failed.data as Partial<Refusal> | undefined) : undefined;
  if (typeof data?.error?.message === 'string') return data.error.message;
  return 'The server cannot be reached. What you typed is still here; check that it is running and try again.';
}
