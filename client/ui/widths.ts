/** Below this width the screen is a phone's: one job at a time. */
export const WIDE_PX = 1024;
/** Below this height a head and a foot that stay would leave no room between them. */
export const LOW_PX = 480;
