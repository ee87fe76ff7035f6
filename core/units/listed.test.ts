import { listed } from './listed';

test('names in a row', () =>
  expect([[], ['Ada'], ['Ada', 'Bo'], ['Ada', 'Bo', 'Cleo']].map(listed)).toEqual([
    '',
    'Ada',
    'Ada and Bo',
    'Ada, Bo and Cleo',
  ]));
