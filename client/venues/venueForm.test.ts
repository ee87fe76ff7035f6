import { formOf, readVenue, type VenueForm } from './venueForm';

const form: VenueForm = {
  name: 'Mill loop',
  shape: 'lap',
  lengthM: '820',
  slope: '',
  marks: [
    { atM: '0', name: 'gate' },
    { atM: '300,5 m', name: 'oak' },
  ],
};

test('what is typed is read, with a comma or a unit as well', () => {
  expect(readVenue(form)).toEqual({
    ok: true,
    venue: {
      name: 'Mill loop',
      shape: 'lap',
      lengthM: 820,
      marks: [
        { atM: 0, name: 'gate' },
        { atM: 300.5, name: 'oak' },
      ],
    },
  });
});
test('there and back again: what is kept reads as it was', () => {
  const venue = {
    id: 'x',
    name: 'A',
    shape: 'there-and-back' as const,
    lengthM: 402.34,
    marks: [{ atM: 10, name: 'b' }],
  };
  const { id: _id, ...rest } = venue;
  expect(readVenue(formOf(venue))).toEqual({ ok: true, venue: rest });
});
test('a slope is read in metres up in a hundred, or there is none', () => {
  const slope = (typed: string) => readVenue({ ...form, slope: typed });
  expect(slope('5,5 %')).toMatchObject({ ok: true, venue: { slopePct: 5.5 } });
  expect(slope('-4')).toMatchObject({ ok: true, venue: { slopePct: -4 } });
  for (const typed of ['steep', '45'])
    expect(slope(typed)).toMatchObject({ ok: false, slope: expect.stringMatching(/up to 30/) });
  const kept = { id: 'x', name: 'Hill', shape: 'there-and-back' as const, lengthM: 300, marks: [], slopePct: 6 };
  const { id: _id, ...rest } = kept;
  expect(readVenue(formOf(kept))).toEqual({ ok: true, venue: rest });
});
test.each([
  [{ ...form, name: ' ' }, { name: 'A place needs a name.' }],
  [{ ...form, lengthM: 'long' }, { length: 'Write the length in metres, like 800 or 402.34.' }],
  [{ ...form, lengthM: '10' }, { length: 'A lap has to be between 50 m and 20 km long.' }],
  [{ ...form, marks: [{ atM: '', name: 'oak' }] }, { marks: [{ at: 'Write the place in metres from the start.' }] }],
  [{ ...form, marks: [{ atM: '5', name: '' }] }, { marks: [{ name: 'A mark needs a name.' }] }],
  [
    { ...form, marks: [{ atM: '', name: '' }] },
    { marks: [{ at: 'Write the place in metres from the start.', name: 'A mark needs a name.' }] },
  ],
  [
    {
      ...form,
      marks: [
        { atM: '5', name: 'a' },
        { atM: '5', name: 'a' },
      ],
    },
    { marks: [{}, { at: '“a” and “a” are at the same place, 5 m.', name: 'There are two marks called “a”.' }] },
  ],
  [
    {
      ...form,
      marks: [
        { atM: '5', name: 'a' },
        { atM: '', name: 'oak' },
        { atM: '900', name: 'pond' },
      ],
    },
    {
      marks: [
        {},
        { at: 'Write the place in metres from the start.' },
        { at: '“pond” is at 900 m, but the lap is only 820 m long.' },
      ],
    },
  ],
])('what is wrong is said at its field', (typed, message) => {
  expect(readVenue(typed)).toMatchObject({ ok: false, ...message });
});
