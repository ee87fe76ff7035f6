/** @jest-environment node */
import 'fake-indexeddb/auto';
import { emptySeason } from '@core/season/templates/seasonFrom';
import { openOfflineCopy } from './offlineCopy';

const TODAY = '2026-11-25';
const athlete = { id: 'a', name: 'Ada', tileName: 'Ada', status: 'training', marks: [], notes: 'left knee' };
const session = (date: string) => ({ id: date, title: 'Reps', date, shorthand: '400' });

test('today’s and tomorrow’s sessions are kept, and nobody’s notes', async () => {
  const copy = openOfflineCopy('one');
  const days = ['2026-11-24', '2026-11-25', '2026-11-26', '2026-11-27'].map(session);
  await copy.keep('sessions/days?from=2026-11-24', days, TODAY);
  // What does not have both days takes nothing's place.
  await copy.keep('sessions/days?from=2026-11-26', [], TODAY);
  await copy.keep('sessions/days?from=2026-11-01&to=2026-11-25', [], TODAY);
  await copy.keep('athletes', [athlete], TODAY);
  const again = openOfflineCopy('one');
  const kept = [session('2026-11-25'), session('2026-11-26')];
  expect(await again.read('sessions/days?from=2026-07-01')).toEqual(kept);
  expect(await again.read('sessions/days?from=2026-11-26&to=2026-12-01')).toEqual(kept.slice(1));
  expect(await again.read('sessions/2026-11-25')).toEqual(kept[0]);
  expect(await again.read('sessions/2026-11-27')).toBeUndefined();
  expect(await again.read('sessions?before=2026-11-25')).toBeUndefined();
  const { notes: _notes, ...plain } = athlete;
  expect(await again.read('athletes')).toEqual([plain]);
});

test('seasons are kept, and why somebody is away is not', async () => {
  const copy = openOfflineCopy('seasons');
  const away = { id: 'e', athleteId: 'a', kind: 'ill' as const, from: '2026-11-25', to: '2026-11-26' };
  const season = emptySeason({ firstDay: '2026-11-02', races: [] }, 4);
  const stored = (exceptions: object[]) => [{ id: 's', version: 1, season: { ...season, exceptions } }];
  await copy.keep('seasons', stored([{ ...away, note: 'glandular fever' }]), TODAY);
  expect(await copy.read('seasons')).toEqual(stored([away]));
});

test('the last answer takes the place of the one before; what is not needed at the track is not kept', async () => {
  const copy = openOfflineCopy('two');
  await copy.keep('athletes', [athlete], TODAY);
  await copy.keep('athletes', [], TODAY);
  await copy.keep('library', { sessions: [] }, TODAY);
  expect(await copy.read('athletes')).toEqual([]);
  expect(await copy.read('library')).toBeUndefined();
});

test('without storage there is no copy, and no trouble', async () => {
  const open = jest.spyOn(indexedDB, 'open').mockImplementation(() => {
    throw new DOMException('Storage is switched off.', 'SecurityError');
  });
  const copy = openOfflineCopy('three');
  await copy.keep('athletes', [athlete], TODAY);
  expect(await copy.read('athletes')).toBeUndefined();
  expect(await copy.read('sessions/2026-11-25')).toBeUndefined();
  open.mockRestore();
});
