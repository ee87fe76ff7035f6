/** What kinds of work do not share a week. */
import type { Thread } from '../season';

export const isThreshold = ({ intent }: Thread): boolean => intent === 'threshold';
export const isCritical = ({ intent }: Thread): boolean =>
  intent === 'critical-speed-short' || intent === 'critical-speed-long';
export const isFartlek = ({ intent }: Thread): boolean => intent === 'fartlek';
