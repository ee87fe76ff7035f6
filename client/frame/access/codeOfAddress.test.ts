import { codeOfAddress } from './codeOfAddress';

test('the code of an address, and none of one that cannot be read', () => {
  expect(['#ABCD-2345', '#ABCD%202345', '', '#', '#%', '#%E0%A4%A'].map(codeOfAddress)).toEqual([
    'ABCD-2345',
    'ABCD 2345',
    '',
    '',
    '',
    '',
  ]);
});
