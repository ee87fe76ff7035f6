import '@testing-library/jest-dom';
import { fireEvent } from '@testing-library/react';
import { startGroupKeys } from './groupKeys';

const GROUP = (role: string, member: string, marks: string[]) =>
  `<button>before</button><div role="${role}">${marks
    .map((mark, i) => `<div role="${member}" tabindex="0" ${mark}>${i}</div>`)
    .join('')}</div>`;

let stop: () => void;
beforeEach(() => {
  stop = startGroupKeys();
});
afterEach(() => stop());

/** A group on the page. jsdom does not know how the focus came: here it came by keyboard. */
function drawn(role: string, member: string, marks: string[]) {
  document.body.innerHTML = GROUP(role, member, marks);
  const members = [...document.querySelectorAll<HTMLElement>(`[role=${member}]`)];
  for (const element of members) {
    jest.spyOn(element, 'matches').mockImplementation((selector) => selector === ':focus-visible');
    element.addEventListener('click', () => {
      for (const other of members) other.setAttribute('aria-checked', String(other === element));
    });
  }
  return members;
}
const key = (name: string) => fireEvent.keyDown(document.activeElement as Element, { key: name });
const focused = () => document.activeElement?.textContent;
const stops = (members: HTMLElement[]) => members.filter(({ tabIndex }) => tabIndex === 0).map((m) => m.textContent);

test('Tab meets the chosen one alone; arrows choose the next one and go round', () => {
  const radios = drawn('radiogroup', 'radio', ['', 'aria-checked="true"', '']);
  radios[0]?.focus();
  expect(focused()).toBe('1');
  expect(stops(radios)).toEqual(['1']);
  key('ArrowRight');
  expect(focused()).toBe('2');
  expect(radios[2]).toHaveAttribute('aria-checked', 'true');
  key('ArrowDown');
  expect(focused()).toBe('0');
  key('ArrowLeft');
  expect(stops(radios)).toEqual(['2']);
});

test('Home and End go to the ends; what cannot be chosen is left out', () => {
  drawn('radiogroup', 'radio', ['', '', 'aria-disabled="true"'])[0]?.focus();
  key('End');
  expect(focused()).toBe('1');
  key('Home');
  expect(focused()).toBe('0');
});

test('a menu’s items are gone through, not pressed', () => {
  const items = drawn('menu', 'menuitem', ['', '']);
  items[0]?.focus();
  key('ArrowDown');
  expect(focused()).toBe('1');
  expect(items[1]).not.toHaveAttribute('aria-checked');
});

test('other keys, and arrows with a modifier, stay what they are', () => {
  const radios = drawn('radiogroup', 'radio', ['', '']);
  radios[0]?.focus();
  key('x');
  fireEvent.keyDown(radios[0] as Element, { key: 'ArrowRight', altKey: true });
  expect(focused()).toBe('0');
  (document.querySelector('button') as HTMLElement).focus();
  key('ArrowRight');
  expect(focused()).toBe('before');
});
