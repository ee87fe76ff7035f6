import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

export const LOOKS = ['system', 'light', 'dark'] as const;
/** Light for sun, dark for floodlights, or as the device says. */
export type Look = (typeof LOOKS)[number];

const KEY = 'zest-lap-look';

function keptLook(): Look {
  try {
    return LOOKS.find((look) => look === localStorage.getItem(KEY)) ?? 'system';
  } catch {
    return 'system';
  }
}

/** Remembers the look on this device; without storage it lasts until the page is closed. */
export function keepLook(look: Look): void {
  try {
    localStorage.setItem(KEY, look);
  } catch {
    // Storage is switched off: the choice still holds for now.
  }
}

export const settings = createSlice({
  name: 'settings',
  initialState: () => ({ look: keptLook() }),
  reducers: {
    lookChosen: (state, action: PayloadAction<Look>) => {
      state.look = action.payload;
    },
  },
});
