/** For tests: seasons of every kind by chance. */
import fc from 'fast-check';
import { daysAfter } from '../units/dayNumber';
import { seasonFrom } from './templates/seasonFrom';
import type { RaceWeight, SeasonPlan } from './season';
import { seasonTemplates } from './templates/templates';

const anyTemplate = fc.constantFrom(...seasonTemplates);
const anyFirstDay = fc.integer({ min: 0, max: 2000 }).map((days) => daysAfter('2024-01-01', days));
const anyWeekStart = fc.constantFrom('monday' as const, 'sunday' as const);

/** A template, with an A race so many days after the first one. */
export const seasonWithRace = fc
  .record({
    template: anyTemplate,
    firstDay: anyFirstDay,
    daysToRace: fc.integer({ min: 10, max: 350 }),
    hardDays: fc.constantFrom(undefined, 1, 2, 3),
    weekStart: anyWeekStart,
  })
  .map(({ template, firstDay, daysToRace, hardDays, weekStart }) =>
    seasonFrom(template, {
      firstDay,
      weekStart,
      ...(hardDays === undefined ? {} : { hardDays }),
      races: [{ date: daysAfter(firstDay, daysToRace), name: 'Harbour meeting', weight: 'A' }],
    }),
  );

const anyRace = fc.record({
  days: fc.integer({ min: 0, max: 300 }),
  weight: fc.constantFrom<RaceWeight>('A', 'B', 'C'),
});

/** Any season: several races or none, days off, pinned days. */
export const anySeason: fc.Arbitrary<SeasonPlan> = fc
  .record({
    template: anyTemplate,
    firstDay: anyFirstDay,
    races: fc.array(anyRace, { maxLength: 5 }),
    hardDays: fc.constantFrom(undefined, 1, 2, 3),
    weekStart: anyWeekStart,
    off: fc.option(fc.record({ days: fc.integer({ min: 0, max: 200 }), length: fc.integer({ min: 1, max: 20 }) })),
    pins: fc.array(
      fc.record({
        days: fc.integer({ min: 0, max: 150 }),
        kind: fc.constantFrom('hard' as const, 'easy' as const, 'long' as const, 'off' as const),
        hasThread: fc.boolean(),
      }),
      { maxLength: 4 },
    ),
  })
  .map(({ template, firstDay, races, hardDays, weekStart, off, pins }) => {
    const season = seasonFrom(template, {
      firstDay,
      weekStart,
      ...(hardDays === undefined ? {} : { hardDays }),
      races: races.map(({ days, weight }, i) => ({ date: daysAfter(firstDay, days), name: `Race ${i}`, weight })),
    });
    const threadId = season.threads[0]?.id;
    return {
      ...season,
      daysOff: off
        ? [
            {
              id: 'off',
              from: daysAfter(firstDay, off.days),
              to: daysAfter(firstDay, off.days + off.length),
              reason: 'holidays',
            },
          ]
        : [],
      fixed: pins.map(({ days, kind, hasThread }) => ({
        date: daysAfter(firstDay, days),
        kind,
        because: 'pinned' as const,
        ...(kind === 'hard' && hasThread && threadId !== undefined ? { threadId } : {}),
      })),
    };
  });
