import type { LengthUnit } from '@core/units/distance';
import { useAppSelector } from '../store/store';

/** What totals of running are said in on this device. */
export const useLengthUnit = (): LengthUnit => useAppSelector(({ settings }) => settings.lengthUnit);
