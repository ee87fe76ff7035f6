import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { RunEvent } from '@core/trackside/events';
import type { Plan } from '@core/trackside/plan';
import type { OutboxState } from '../store/outbox';

/** The session at the track that is open on this phone. What it looks like is worked out by replay. */
type TracksideState = { run?: { plan: Plan; events: RunEvent[] }; outbox: OutboxState };

const initialState: TracksideState = { outbox: { waiting: 0, refused: [] } };

export const trackside = createSlice({
  name: 'trackside',
  initialState,
  reducers: {
    runOpened: (state, action: PayloadAction<{ plan: Plan; events: RunEvent[] }>) => {
      const { plan, events } = action.payload;
      const known = new Set(events.map((event) => event.id));
      // A tap may have been kept while the log was being read: it stays.
      const newer = state.run?.plan.id === plan.id ? state.run.events.filter((event) => !known.has(event.id)) : [];
      state.run = { plan, events: [...events, ...newer] };
    },
    /** Only ever dispatched once the event is on the disk. */
    eventKept: (state, action: PayloadAction<RunEvent>) => {
      if (state.run?.plan.id === action.payload.runId) state.run.events.push(action.payload);
    },
    outboxChanged: (state, action: PayloadAction<OutboxState>) => {
      state.outbox = action.payload;
    },
  },
});
