import fc from 'fast-check';
import { daysAfter, daysBetween } from '../../units/dayNumber';
import { changeSeason, keepPast } from '../changes';
import { checkSeason } from '../checks/checks';
import { layOutSeason } from './layOut';
import { peaksOf } from '../phases';
import { taperDaysOf } from './raceDays';
import { daysOf } from '../season';
import { anySeason, seasonWithRace } from '../testing';

const isHeld = ({ because }: { because?: string }) => because !== undefined;

describe('every season', () => {
  test('is whole weeks without a gap, and the same when it is laid out again', () => {
    fc.assert(
      fc.property(anySeason, (season) => {
        const weeks = layOutSeason(season);
        const days = daysOf(weeks);
        expect(weeks.every(({ from, days: its }) => its.length === 7 && its[0]?.date === from)).toBe(true);
        days.forEach(({ date }, i) => expect(date).toBe(daysAfter(days[0]?.date ?? '', i)));
        expect(layOutSeason(season)).toEqual(weeks);
      }),
    );
  });

  test('has no two hard days in a row, nor one beside a race or after the long run, unless the coach pinned it', () => {
    fc.assert(
      fc.property(anySeason, (season) => {
        const days = daysOf(layOutSeason(season));
        days.forEach((day, i) => {
          const before = days[i - 1];
          if (!before || isHeld(before) || isHeld(day)) return;
          if (day.kind === 'hard') expect(['hard', 'race', 'long']).not.toContain(before.kind);
          if (day.kind === 'race') expect(before.kind).not.toBe('hard');
          if (day.kind === 'long' && !season.schools.isLongAfterHard) expect(before.kind).not.toBe('hard');
        });
      }),
      { numRuns: 300 },
    );
  });

  test('gives every A race its race week and its taper', () => {
    fc.assert(
      fc.property(anySeason, (season) => {
        const weeks = layOutSeason(season);
        const days = daysOf(weeks);
        for (const race of peaksOf(season)) {
          expect(weeks.find(({ days: its }) => its.some(({ date }) => date === race.date))?.phase).toBe('race week');
          const place = days.findIndex(({ date }) => date === race.date);
          expect(days[place]).toMatchObject({ kind: 'race' });
          for (let out = 1; out <= taperDaysOf(season, race); out++) {
            const day = days[place - out];
            if (!day || day.date < season.firstDay) continue;
            expect(day.taper).toBe(true);
            if (out <= 3 && !isHeld(day)) expect(['easy', 'strides', 'off', 'race', 'free']).toContain(day.kind);
          }
        }
      }),
    );
  });

  test('rests a week after an A race and three days after a B race', () => {
    fc.assert(
      fc.property(anySeason, (season) => {
        const days = daysOf(layOutSeason(season));
        const restOf = { A: 7, B: 3, C: 1 };
        for (const race of season.races) {
          const place = days.findIndex(({ date }) => date === race.date);
          if (place < 0) continue;
          const weight = race.weight === 'A' && !peaksOf(season).includes(race) ? 'B' : race.weight;
          // What the week of another A race asks for comes first.
          const after = days.slice(place + 1, place + 1 + restOf[weight]);
          expect(after.some((day) => day.kind === 'hard' && !isHeld(day) && day.special !== 'sharpener')).toBe(false);
        }
      }),
    );
  });

  test('leaves pinned days where they are', () => {
    fc.assert(
      fc.property(anySeason, fc.integer({ min: -20, max: 20 }), (season, by) => {
        const [race] = season.races;
        const moved = race
          ? changeSeason(season, { kind: 'putRace', race: { ...race, date: daysAfter(race.date, by) } })
          : season;
        const days = new Map(daysOf(layOutSeason(moved)).map((day) => [day.date, day]));
        const last = new Map(moved.fixed.map((fixed) => [fixed.date, fixed]));
        for (const fixed of last.values()) {
          const day = days.get(fixed.date);
          if (!day || day.kind === 'race') continue;
          expect(day).toMatchObject({ kind: fixed.kind, pinned: true });
          if (fixed.threadId !== undefined && fixed.kind === 'hard') expect(day.thread?.id).toBe(fixed.threadId);
        }
      }),
    );
  });

  test('lets every thread go on by one step at a time', () => {
    fc.assert(
      fc.property(anySeason, (season) => {
        const steps = new Map<string, number>();
        for (const { thread } of daysOf(layOutSeason(season))) {
          if (!thread) continue;
          const before = steps.get(thread.id);
          if (before === undefined) expect(thread.step).toBe(0);
          else expect(Math.abs(thread.step - before)).toBeLessThanOrEqual(1);
          steps.set(thread.id, thread.step);
        }
      }),
    );
  });

  test('is as it was when a race is moved by some weeks and back', () => {
    fc.assert(
      fc.property(anySeason, fc.integer({ min: -8, max: 8 }), (season, weeks) => {
        const [race] = season.races;
        if (!race) return;
        const away = changeSeason(season, {
          kind: 'putRace',
          race: { ...race, date: daysAfter(race.date, 7 * weeks) },
        });
        const back = changeSeason(away, { kind: 'putRace', race });
        expect(layOutSeason(back)).toEqual(layOutSeason(season));
      }),
    );
  });

  const bare = (weeks: ReturnType<typeof layOutSeason>, from: string, until: string) =>
    daysOf(weeks).flatMap(({ date, kind, thread, special }) =>
      date >= from && date < until ? [{ date, kind, thread, special }] : [],
    );

  test('what is over stays as it was laid out, whatever is changed afterwards', () => {
    fc.assert(
      fc.property(
        anySeason,
        fc.integer({ min: 1, max: 120 }),
        fc.integer({ min: -40, max: 40 }),
        (season, over, by) => {
          const today = daysAfter(season.firstDay, over);
          const before = layOutSeason(season);
          const race = season.races.find(({ date }) => date > today);
          const later = daysAfter(race?.date ?? today, by);
          const date = later <= today ? daysAfter(today, 1) : later;
          const changed = race
            ? changeSeason(season, { kind: 'putRace', race: { ...race, date } }, today)
            : keepPast(season, today);
          const past = (weeks: ReturnType<typeof layOutSeason>) => bare(weeks, season.firstDay, today);
          // A season that is shorter now has fewer weeks behind it too, if all of it is over.
          const after = past(layOutSeason(changed));
          expect(after).toEqual(past(before).slice(0, after.length));
        },
      ),
    );
  });

  test('what is to come stays too, where nothing is changed', () => {
    fc.assert(
      fc.property(seasonWithRace, fc.integer({ min: 1, max: 120 }), (season, over) => {
        const kept = keepPast(season, daysAfter(season.firstDay, over));
        expect(bare(layOutSeason(kept), '', '9')).toEqual(bare(layOutSeason(season), '', '9'));
      }),
    );
  });
});

test('a template with an A race has nothing to look at again, whenever the race is and however many hard days', () => {
  fc.assert(
    fc.property(seasonWithRace, (season) => {
      expect(checkSeason(season, layOutSeason(season))).toEqual([]);
    }),
    { numRuns: 600 },
  );
});

test('the indicator and the rehearsal are on the hard days nearest to where they belong', () => {
  fc.assert(
    fc.property(seasonWithRace, (season) => {
      const [race] = season.races;
      if (!race) return;
      for (const { date, special } of daysOf(layOutSeason(season))) {
        const out = daysBetween(date, race.date);
        if (special === 'indicator') expect(out).toBeGreaterThanOrEqual(7);
        if (special === 'rehearsal') expect(Math.abs(out - 24.5)).toBeLessThanOrEqual(7.5);
        if (special === 'sharpener') expect([4, 5]).toContain(out);
      }
    }),
  );
});
