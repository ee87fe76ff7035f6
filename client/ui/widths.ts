/** Below this width the screen is a phone's: one job at a time. */
export const WIDE_PX = 1024;
