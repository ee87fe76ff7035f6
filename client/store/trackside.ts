import { createSlice, original, type PayloadAction } from '@reduxjs/toolkit';
import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';

/** How far the server is behind this phone. `refused` is what it will not take, with its reason. */
export type OutboxState = { waiting: number; refused: { id: string; message: string }[] };

/** The run that is open on this phone. Its state is derived by replay. */
type TracksideState = {
  run?: { plan: Plan; events: RunEvent[] };
  outbox: OutboxState;
  /** Events that the phone's storage would not take: they are in memory only. */
  inMemory: number;
};

const initialState: TracksideState = { outbox: { waiting: 0, refused: [] }, inMemory: 0 };

export const trackside = createSlice({
  name: 'trackside',
  initialState,
  reducers: {
    runOpened: (state, action: PayloadAction<{ plan: Plan; events: RunEvent[] }>) => {
      const { plan, events } = action.payload;
      const knownIds = new Set(events.map((event) => event.id));
      // A tap may have been stored while the log was being read: it stays.
      const before = original(state).run;
      const newer = before?.plan.id === plan.id ? before.events.filter((event) => !knownIds.has(event.id)) : [];
      state.run = { plan, events: [...events, ...newer] };
    },
    /** Only ever dispatched once the event is on the disk, or the disk has refused it. */
    eventKept: (state, action: PayloadAction<{ event: RunEvent; inMemory: number }>) => {
      const { event, inMemory } = action.payload;
      if (state.run?.plan.id === event.runId) state.run.events.push(event);
      // Until the outbox has counted anew.
      state.outbox.waiting++;
      state.inMemory = inMemory;
    },
    /** What others have timed. */
    eventsCame: (state, action: PayloadAction<RunEvent[]>) => {
      // Searched in the original: through immer's proxies a thousand events take long.
      const run = original(state).run;
      const knownIds = new Set(run?.events.map((event) => event.id));
      const added = action.payload.filter((event) => event.runId === run?.plan.id && !knownIds.has(event.id));
      if (added.length > 0) state.run?.events.push(...added);
    },
    /** Removes events that were dropped from this phone. */
    eventsDropped: (state, action: PayloadAction<readonly string[]>) => {
      const ids = new Set(action.payload);
      if (state.run) state.run.events = state.run.events.filter(({ id }) => !ids.has(id));
    },
    outboxChanged: (state, action: PayloadAction<OutboxState & { inMemory: number }>) => {
      const { inMemory, ...outbox } = action.payload;
      state.outbox = outbox;
      state.inMemory = inMemory;
    },
  },
});
