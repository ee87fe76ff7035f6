import { readDaysOff, readException, readRace, toRaceFields } from './seasonForms';

const RACE = {
  id: 'r1',
  name: 'County 5,000',
  date: '2027-06-12',
  weight: 'A' as const,
  place: 'Mill Lane',
  startTime: '14:30',
  taperDays: 9,
};

describe('readRace', () => {
  test('a race comes back as it was, with its taper', () => {
    expect(readRace(toRaceFields(RACE), RACE)).toEqual({ ok: true, value: RACE });
  });
  test('what is emptied is gone, not an empty text', () => {
    const { place: _place, startTime: _startTime, ...rest } = RACE;
    expect(readRace({ ...toRaceFields(RACE), place: ' ', startTime: '' }, RACE)).toEqual({ ok: true, value: rest });
  });
  test('a new one gets an id of its own, and counts as a B race', () => {
    const read = readRace({ ...toRaceFields(undefined), name: ' Open mile ', date: '2027-05-02' }, undefined);
    expect(read).toEqual({
      ok: true,
      value: { id: expect.stringMatching(/^[0-9A-Z]{26}$/), name: 'Open mile', date: '2027-05-02', weight: 'B' },
    });
  });
  test('all that is wrong is said at once', () => {
    expect(readRace({ ...toRaceFields(undefined), place: 'x'.repeat(81) }, undefined)).toEqual({
      ok: false,
      problems: {
        name: 'A race needs a name.',
        date: 'A day is needed.',
        place: 'The place can have 80 characters at most.',
      },
    });
  });
});

describe('days away', () => {
  test('days off without a reason are days off', () => {
    expect(readDaysOff({ from: '2027-04-01', to: '2027-04-05', reason: ' ' })).toMatchObject({
      ok: true,
      value: { from: '2027-04-01', to: '2027-04-05', reason: 'days off' },
    });
  });
  test.each([
    ['', '', { from: 'The first day is needed.', to: 'The last day is needed.' }],
    ['2027-04-05', '2027-04-01', { to: 'The last day is before the first one.' }],
    ['', '2027-04-01', { from: 'The first day is needed.' }],
  ])('from “%s” to “%s” is not taken', (from, to, problems) => {
    expect(readDaysOff({ from, to, reason: '' })).toEqual({ ok: false, problems });
    expect(readException({ from, to, athleteId: 'a', kind: 'ill' })).toEqual({ ok: false, problems });
  });
  test('somebody must be away', () => {
    expect(readException({ from: '2027-04-01', to: '2027-04-01', athleteId: '', kind: 'ill' })).toEqual({
      ok: false,
      problems: { athleteId: 'Say who it is about.' },
    });
  });
});
