/** Club settings: time zone, first day of the week, hot months, and the age under which an athlete is young. */
export type Club = {
  /** By the names of the time zone database, like Europe/London; that of the device where left out. */
  timeZone?: string;
  /** New seasons count their weeks from this day; Monday where left out. */
  weekStart?: 'monday' | 'sunday';
  /** Months (1 to 12) that are hot there. */
  heatMonths?: number[];
  /** Athletes under this age in the year are young: marked, and of a range they begin with the least; YOUNG_BY_DEFAULT where left out. */
  youngUnder?: number;
};

export const YOUNG_BY_DEFAULT = 16;
export const YOUNG_RANGE = { min: 10, max: 18 };
