import { gridDrag, placeBeside, type GridDragOptions } from './gridDrag';

/** A grid of three columns and two rows of cells, 40 by 40, with a race in it that nothing is put on. */
const CELLS = ['mon', 'tue', 'wed', 'thu', 'race', 'sat'];
const MOVABLE = new Set(['tue', 'thu']);

let grid: HTMLElement;
let lifted: HTMLElement;
let takeOff: () => void;
const said: string[] = [];
const dropped: [string, string][] = [];
const lifts: (string | undefined)[] = [];
const clicks: string[] = [];

const cell = (id: string) => {
  const found = grid.querySelector<HTMLElement>(`#${id}`);
  if (!found) throw new Error(`No ${id}.`);
  return found;
};
const place = (element: HTMLElement, left: number, top: number, width: number, height: number) => {
  element.getBoundingClientRect = () =>
    ({ left, top, width, height, right: left + width, bottom: top + height, x: left, y: top }) as DOMRect;
};
const options: GridDragOptions = {
  lifted: () => lifted,
  overColor: () => 'lime',
  announce: (text) => said.push(text),
  words: { pickedUp: (id) => `up ${id}`, over: (id) => `over ${id}`, putDown: (id) => `down ${id}`, putBack: 'back' },
  onLift: (id) => lifts.push(id),
  onDrop: (from, to) => dropped.push([from, to]),
};

beforeEach(() => {
  jest.useFakeTimers();
  for (const list of [said, dropped, lifts, clicks]) list.length = 0;
  grid = document.createElement('div');
  lifted = document.createElement('div');
  document.body.append(grid, lifted);
  place(grid, 0, 300, 120, 80);
  CELLS.forEach((id, i) => {
    const button = document.createElement('button');
    button.id = id;
    if (id !== 'race') button.dataset.place = id;
    if (MOVABLE.has(id)) button.dataset.movable = '';
    button.addEventListener('click', () => clicks.push(id));
    button.scrollIntoView = () => undefined;
    grid.append(button);
    place(button, (i % 3) * 40, 300 + Math.floor(i / 3) * 40, 40, 40);
  });
  takeOff = gridDrag(grid, () => options);
});
afterEach(() => {
  takeOff();
  document.body.replaceChildren();
  jest.useRealTimers();
});

const key = (id: string, code: string) => {
  const event = new KeyboardEvent('keydown', { code, bubbles: true, cancelable: true });
  cell(id).dispatchEvent(event);
  return event;
};
const touch = (type: string, id: string, x = 0, y = 0, fingers = 1) => {
  const event = new Event(type, { bubbles: true, cancelable: true });
  Object.assign(event, { touches: Array.from({ length: fingers }, () => ({ clientX: x, clientY: y })) });
  cell(id).dispatchEvent(event);
  return event;
};
const mouse = (type: string, target: EventTarget, x: number, y: number) =>
  target.dispatchEvent(new MouseEvent(type, { clientX: x, clientY: y, button: 0, bubbles: true, cancelable: true }));

describe('with the keyboard', () => {
  test('Space picks up, arrows choose, Space puts down', () => {
    expect(key('tue', 'Space').defaultPrevented).toBe(true);
    key('tue', 'ArrowRight');
    expect(cell('wed').style.backgroundColor).toBe('lime');
    key('tue', 'Space');
    expect(dropped).toEqual([['tue', 'wed']]);
    expect(said).toEqual(['up tue', 'over tue', 'over wed', 'down wed']);
    expect(lifts).toEqual(['tue', undefined]);
    expect(cell('wed').style.backgroundColor).toBe('');
    expect(cell('tue').style.opacity).toBe('');
  });
  test('Escape puts it back, wherever the focus is', () => {
    key('tue', 'Space');
    key('tue', 'ArrowLeft');
    document.body.dispatchEvent(new KeyboardEvent('keydown', { code: 'Escape', bubbles: true }));
    expect(dropped).toEqual([]);
    expect(said.at(-1)).toBe('back');
  });
  test('a cell that does not move is pressed as ever, and other keys do nothing', () => {
    expect(key('mon', 'Space').defaultPrevented).toBe(false);
    expect(key('tue', 'Enter').defaultPrevented).toBe(false);
    key('tue', 'Space');
    expect(key('tue', 'KeyA').defaultPrevented).toBe(false);
    expect(said).toEqual(['up tue', 'over tue']);
  });
  test('at the edge it stays; what takes nothing is left out', () => {
    key('thu', 'Space');
    for (const code of ['ArrowDown', 'ArrowLeft', 'ArrowRight']) key('thu', code);
    // The race is between them.
    expect(said.at(-1)).toBe('over sat');
  });
  test('put down where it was, nothing changes', () => {
    key('tue', 'Space');
    key('tue', 'Enter');
    expect(dropped).toEqual([]);
    expect(said.at(-1)).toBe('back');
  });
});

describe('with a finger', () => {
  test('that rests on it; then the page does not scroll, and the end is no tap', () => {
    touch('touchstart', 'tue', 60, 320);
    jest.advanceTimersByTime(200);
    expect(said).toEqual(['up tue', 'over tue']);
    expect(touch('touchmove', 'tue', 100, 320).defaultPrevented).toBe(true);
    expect(lifted.style.transform).toContain('translate3d(100px, 320px, 0)');
    expect(touch('touchend', 'tue', 0, 0, 0).defaultPrevented).toBe(true);
    expect(dropped).toEqual([['tue', 'wed']]);
  });
  test('that swipes: the page scrolls', () => {
    touch('touchstart', 'tue', 60, 320);
    expect(touch('touchmove', 'tue', 60, 280).defaultPrevented).toBe(false);
    jest.advanceTimersByTime(500);
    expect(said).toEqual([]);
  });
  test('that taps', () => {
    touch('touchstart', 'tue', 60, 320);
    expect(touch('touchend', 'tue', 0, 0, 0).defaultPrevented).toBe(false);
    jest.advanceTimersByTime(500);
    expect(lifts).toEqual([]);
  });
  test('a second one puts it back', () => {
    touch('touchstart', 'tue', 60, 320);
    jest.advanceTimersByTime(200);
    touch('touchstart', 'tue', 60, 320, 2);
    expect(said.at(-1)).toBe('back');
  });
  test('outside of everything it is put back', () => {
    touch('touchstart', 'tue', 60, 320);
    jest.advanceTimersByTime(200);
    touch('touchmove', 'tue', 700, 320);
    touch('touchend', 'tue', 0, 0, 0);
    expect(dropped).toEqual([]);
  });
});

describe('with the mouse', () => {
  test('a press opens, a drag does not', () => {
    mouse('mousedown', cell('tue'), 60, 320);
    mouse('mouseup', document, 60, 320);
    mouse('click', cell('tue'), 60, 320);
    expect(clicks).toEqual(['tue']);
    mouse('mousedown', cell('tue'), 60, 320);
    mouse('mousemove', document, 75, 320);
    mouse('mousemove', document, 15, 345);
    mouse('mouseup', document, 15, 345);
    mouse('click', cell('tue'), 15, 345);
    expect(dropped).toEqual([['tue', 'thu']]);
    expect(clicks).toEqual(['tue']);
    jest.advanceTimersByTime(1);
    mouse('click', cell('mon'), 15, 320);
    expect(clicks).toEqual(['tue', 'mon']);
  });
  test('near the edge of the screen the page goes along', () => {
    Object.defineProperty(globalThis, 'innerHeight', { value: 360, configurable: true });
    document.documentElement.scrollTop = 0;
    mouse('mousedown', cell('tue'), 60, 320);
    mouse('mousemove', document, 75, 350);
    jest.advanceTimersByTime(100);
    expect(document.documentElement.scrollTop).toBeGreaterThan(0);
    mouse('mouseup', document, 75, 350);
    document.documentElement.scrollTop = 0;
  });
});

test('the place beside another, by arrow', () => {
  const at = (id: string, left: number, top: number) =>
    ({ id, cell: grid, left, right: left + 40, top, bottom: top + 40 }) as Parameters<typeof placeBeside>[1];
  const places = [at('a', 0, 0), at('b', 40, 0), at('c', 120, 0), at('d', 40, 40)];
  const beside = (from: number, arrow: string) => placeBeside(places, places[from]!, arrow)?.id;
  expect(beside(0, 'ArrowRight')).toBe('b');
  expect(beside(1, 'ArrowRight')).toBe('c');
  expect(beside(1, 'ArrowDown')).toBe('d');
  expect(beside(0, 'ArrowDown')).toBeUndefined();
  expect(beside(0, 'Home')).toBeUndefined();
});
