/** @jest-environment node */
import { keepSettings, settings, type Settings } from './settings';

/** The device's storage, as far as the settings need it. */
function storageWith(text: string | undefined) {
  const kept = new Map(text === undefined ? [] : [['zest-lap-settings', text]]);
  globalThis.localStorage = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
  } as unknown as Storage;
  return kept;
}
const start = () => settings.getInitialState();
const { lookChosen, pacesChosen, venueChosen } = settings.actions;

test('at first the look is that of the device, and a phone shows three paces a lap', () => {
  storageWith(undefined);
  expect(start()).toEqual({
    look: 'system',
    lengthUnit: 'km',
    readRuns: [],
    paces: { shown: ['threshold', '5k', 'mile'], unit: '400', byGroup: true },
    venueId: 'standard-400',
    calls: true,
  });
});

test('a wide screen begins with more of them', () => {
  storageWith(undefined);
  globalThis.innerWidth = 1280;
  expect(start().paces.shown.length).toBeGreaterThan(5);
  globalThis.innerWidth = 390;
});

test('what is chosen is there again, the rest as it was', () => {
  storageWith(undefined);
  let state = settings.reducer(start(), lookChosen('dark'));
  state = settings.reducer(state, pacesChosen({ unit: 'km' }));
  state = settings.reducer(state, venueChosen('indoor-200'));
  expect(state).toMatchObject({ look: 'dark', venueId: 'indoor-200', paces: { unit: 'km', byGroup: true } });
  keepSettings(state);
  expect(start()).toEqual(state);
});

test('what cannot be read is passed over, and a storage that is switched off is no trouble', () => {
  storageWith('{"look":');
  expect(start().look).toBe('system');
  globalThis.localStorage = {
    getItem: () => {
      throw new DOMException('denied', 'SecurityError');
    },
    setItem: () => {
      throw new DOMException('denied', 'SecurityError');
    },
  } as unknown as Storage;
  const state: Settings = start();
  expect(state.look).toBe('system');
  expect(() => keepSettings(state)).not.toThrow();
});
