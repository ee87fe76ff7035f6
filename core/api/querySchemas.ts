/** Schemas of what is asked for in an address. */
import Joi from 'joi';
import type { DateRange } from './answers';
import { dateSchema, idSchema, timeOfDaySchema } from './schemas';
import { daysBetween } from '../units/dayNumber';

export const noQuery = Joi.object({});

/** Where a page begins, as the page before it said, and how many rows it has at most. */
export type PageQuery = { cursor?: string; limit: number };

/** Rows of a page where no number is asked for, and at most. */
const ROWS = { usual: 40, most: 200 };
const page = {
  cursor: Joi.string().max(200),
  limit: Joi.number().integer().min(1).max(ROWS.most).default(ROWS.usual),
};

export const pageQuery = Joi.object<PageQuery>(page);
/** Sessions before a day, or all. */
export const sessionPageQuery = Joi.object<PageQuery & { before?: string }>({ ...page, before: dateSchema });
/** Results; of one session, or of one session of the library. */
export const runPageQuery = Joi.object<PageQuery & { session?: string; library?: string }>({
  ...page,
  session: idSchema,
  library: idSchema,
});

/** Some days; without an end, all from a day on. */
export const daysQuery = Joi.object<{ from: string; to?: string }>({ from: dateSchema.required(), to: dateSchema });
export const untilQuery = Joi.object<{ until: string }>({ until: dateSchema.required() });
export const beforeQuery = Joi.object<{ before: string }>({ before: dateSchema.required() });
export const onDayQuery = Joi.object<{ on: string }>({ on: dateSchema.required() });
/** Longest range of results that may be asked for at once. */
const MOST_DAYS = 400;
export const rangeQuery = Joi.object<DateRange>({ from: dateSchema.required(), to: dateSchema.required() }).custom(
  (range: DateRange, helpers) =>
    daysBetween(range.from, range.to) <= MOST_DAYS
      ? range
      : helpers.message({ custom: `At most ${MOST_DAYS} days can be asked for at once.` }),
);
export const repsQuery = rangeQuery.append({ athlete: idSchema }) as Joi.ObjectSchema<DateRange & { athlete?: string }>;
export const sameQuery = Joi.object<{ athlete?: string; beside?: string }>({ athlete: idSchema, beside: idSchema });
export const deviceQuery = Joi.object<{ device?: string }>({ device: idSchema });
export const weatherQuery = Joi.object<{ date: string; time: string }>({
  date: dateSchema.required(),
  time: timeOfDaySchema.required(),
});
export const calendarQuery = Joi.object<{ days?: 'sessions' | 'all'; time?: string }>({
  days: Joi.string().valid('sessions', 'all'),
  time: timeOfDaySchema,
});
