import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { PaceUnit } from '@core/paces/paceTable';
import type { LengthUnit } from '@core/units/distance';
import { standardTrack } from '@core/venue/venue';
import { WIDE_PX } from '../ui/widths';

export const LOOKS = ['system', 'light', 'dark'] as const;
/** Light for sun, dark for floodlights, or as the device says. */
export type Look = (typeof LOOKS)[number];

/** How this device shows paces: which of them in the squad's table, over what length, and whether the groups are kept apart. */
export type PaceView = { shown: string[]; unit: PaceUnit; byGroup: boolean };

const KEY = 'zest-lap-settings';
/** Only the last few days' are asked about. */
const MOST_READ = 60;

/** What the coach has chosen on this device. */
export type Settings = {
  look: Look;
  paces: PaceView;
  /** Of totals; what is run on a track stays in metres. */
  lengthUnit: LengthUnit;
  /** Where sessions are drawn for. */ venueId: string;
  /** Calls at the track are heard. */ calls: boolean;
  /** Results opened on this device, the latest last: they leave the to-do list. */ readRuns: string[];
  /** The club’s, as last heard: what day it is does not wait for the server. */ timeZone?: string | undefined;
};

/** As many paces as fit beside the names. */
const FIRST_SHOWN = {
  phone: ['threshold', '5k', 'mile'],
  wide: ['easy', 'threshold', 'cv', '10k', '5k', '3k', 'mile', '800'],
};

const first = (): Settings => ({
  look: 'system',
  venueId: standardTrack.id,
  calls: true,
  readRuns: [],
  lengthUnit: 'km',
  paces: {
    shown: FIRST_SHOWN[typeof innerWidth === 'number' && innerWidth >= WIDE_PX ? 'wide' : 'phone'],
    unit: '400',
    byGroup: true,
  },
});

function kept(): Settings {
  try {
    return { ...first(), ...(JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Settings>) };
  } catch {
    return first();
  }
}

/** Remembers the settings on this device; without storage they last until the page is closed. */
export function keepSettings(chosen: Settings): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(chosen));
  } catch {
    // Storage is switched off: the choice still holds for now.
  }
}

export const settings = createSlice({
  name: 'settings',
  initialState: kept,
  reducers: {
    lookChosen: (state, action: PayloadAction<Look>) => {
      state.look = action.payload;
    },
    lengthUnitChosen: (state, action: PayloadAction<LengthUnit>) => {
      state.lengthUnit = action.payload;
    },
    runRead: (state, action: PayloadAction<string>) => {
      if (!state.readRuns.includes(action.payload))
        state.readRuns = [...state.readRuns, action.payload].slice(-MOST_READ);
    },
    callsChosen: (state, action: PayloadAction<boolean>) => {
      state.calls = action.payload;
    },
    timeZoneHeard: (state, action: PayloadAction<string | undefined>) => {
      state.timeZone = action.payload;
    },
    venueChosen: (state, action: PayloadAction<string>) => {
      state.venueId = action.payload;
    },
    pacesChosen: (state, action: PayloadAction<Partial<PaceView>>) => {
      Object.assign(state.paces, action.payload);
    },
  },
});
