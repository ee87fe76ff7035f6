/** What holds for the club as a whole: where it is, how it counts its weeks, and when it is hot there. */
export type Club = {
  /** By the names of the time zone database, like Europe/London; that of the device where left out. */
  timeZone?: string;
  /** New seasons count their weeks from this day; Monday where left out. */
  weekStart?: 'monday' | 'sunday';
  /** Months (1 to 12) that are hot there. */
  heatMonths?: number[];
};
