import { spokenDelta } from './spokenDelta';

test.each([
  [-1.44, 'early' as const, '1.4 seconds early'],
  [2, 'late' as const, '2.0 seconds late'],
  [62.31, 'late' as const, '1:02.3 seconds late'],
  [-0.3, 'on' as const, 'on target'],
])('%d s and %s is said as “%s”', (deltaS, verdict, said) => expect(spokenDelta(deltaS, verdict)).toBe(said));
