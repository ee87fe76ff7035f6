import { act } from '@testing-library/react';
import { useState } from 'react';
import { hook } from '../testing';
import { useStable } from './useStable';

/** A list that is made anew whenever it is put. */
function stable(first: string[]) {
  const { result } = hook(() => {
    const [value, put] = useState(first);
    return { value: useStable(value), put };
  });
  return { value: () => result.current.value, put: (value: string[]) => act(() => result.current.put(value)) };
}

test('what says the same stays the one before; what says something else is the new one, also the second time', () => {
  const first = ['Ada', 'Bo'];
  const { value, put } = stable(first);
  put([...first]);
  expect(value()).toBe(first);
  const other = ['Ada', 'Bo', 'Cleo'];
  put(other);
  expect(value()).toBe(other);
  put([...other]);
  expect(value()).toBe(other);
  put([...first]);
  expect(value()).toEqual(first);
  expect(value()).not.toBe(first);
});
