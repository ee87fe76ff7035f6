import { LIGHT } from '../../../ui/palette';
import { faceOf, type TileFace } from './tileFace';
import { TileWall } from './TileWall';

const LOOK = { width: 120, height: 100, palette: LIGHT };
const BO = { athleteId: 'bo', name: 'Bo' };
const KIT = { athleteId: 'kit', name: 'Kit', corner: '2' };
const READY = faceOf({ phase: 'ready', targetS: 80 });
const RUNNING: TileFace = { ...READY, head: 'finish', big: '1:20.0', canTap: true, fill: 40, spoken: 'running' };

let tap: jest.Mock;
let open: jest.Mock;
let host: HTMLElement;
let wall: TileWall;
beforeEach(() => {
  host = document.body.appendChild(document.createElement('div'));
  tap = jest.fn(() => true);
  open = jest.fn();
  wall = new TileWall(host, { tap, open });
  wall.lay([BO, KIT], LOOK);
  wall.show(() => ({ face: RUNNING, isResting: false }));
});
afterEach(() => {
  wall.remove();
  host.remove();
});

const tile = (name: string) => {
  const found = Array.from(host.querySelectorAll<HTMLElement>('[role="button"]')).find((element) =>
    element.getAttribute('aria-label')?.startsWith(`${name}:`),
  );
  if (!found) throw new Error(`no tile of ${name}`);
  return found;
};

/** jsdom knows no pointer events: this is one as far as anything here asks. */
function press(kind: string, target: Element, more: object = {}) {
  const event = new Event(kind, { bubbles: true, cancelable: true });
  Object.assign(event, { button: 0, pointerType: 'touch', ...more });
  target.dispatchEvent(event);
  return event;
}

test('everyone has a tile in their order, with what it says', () => {
  expect(Array.from(host.children).map((element) => element.textContent)).toEqual([
    'Bofinish1:20.0',
    'Kit2finish1:20.0',
  ]);
  expect(tile('Kit').getAttribute('aria-label')).toBe('Kit: running');
});

test('only those asked for are shown anew', () => {
  wall.show(() => ({ face: { ...RUNNING, big: 'x' }, isResting: false }), ['kit']);
  expect(tile('Bo').textContent).toContain('1:20.0');
  expect(tile('Kit').textContent).toContain('x');
});

test('a time taken is judged in words, by its mark and by its colour; until the next one', () => {
  const last = { atM: 200, elapsedS: 41.4, deltaS: 1.4, verdict: 'late' as const };
  wall.show(() => ({ face: { ...RUNNING, last }, isResting: false }));
  expect(tile('Bo').getAttribute('aria-label')).toBe('Bo: running; at 200 41.4, 1.4 seconds late');
  expect(tile('Bo').textContent).toContain('+1.4');
  wall.show(() => ({ face: { ...RUNNING, last: { ...last, deltaS: 0.1, verdict: 'on' } }, isResting: false }));
  expect(tile('Bo').textContent).toContain('on');
  wall.show(() => ({ face: READY, isResting: false }));
  expect(tile('Bo').getAttribute('aria-label')).toBe('Bo: ready, target 1:20.0');
});

test('on a narrow tile the time stands over what it is for, whole, and one with hours is set smaller', () => {
  wall.lay([BO, KIT], { ...LOOK, width: 80 });
  expect(tile('Bo').textContent).toBe('Bofinish1:20.0');
  const big = () =>
    Array.from(tile('Bo').querySelectorAll<HTMLElement>('span')).find((element) => /\d/.test(element.textContent));
  expect(big()?.parentElement?.style.flexDirection).toBe('column');
  expect(big()?.style.fontSize).toBe('24px');
  wall.show(() => ({ face: { ...RUNNING, big: '1:02:28.8' }, isResting: false }));
  expect(big()?.style.fontSize).toBe('18px');
});

test('whoever stays keeps their tile; who is new, or has another name, gets one', () => {
  const [bo, kit] = [tile('Bo'), tile('Kit')];
  wall.lay([BO, KIT], LOOK);
  expect(tile('Kit')).toBe(kit);
  wall.lay([{ ...KIT, name: 'Kitty' }, BO, { athleteId: 'lo', name: 'Lo' }], LOOK);
  wall.show(() => ({ face: RUNNING, isResting: false }));
  expect(tile('Bo')).toBe(bo);
  expect(tile('Kitty')).not.toBe(kit);
  expect(host.children).toHaveLength(3);
});

test('a finger takes the time as it lands, and nothing else hears of it', () => {
  const elsewhere = jest.fn();
  for (const kind of ['pointerdown', 'touchstart', 'touchend']) document.addEventListener(kind, elsewhere);
  const bo = tile('Bo');
  const down = press('pointerdown', bo.querySelector('span') ?? bo);
  expect(tap.mock.calls).toEqual([['bo', down.timeStamp]]);
  expect(bo.dataset.pressed).toBe('');
  expect(press('touchstart', bo).defaultPrevented).toBe(true);
  press('touchend', bo);
  expect(elsewhere).not.toHaveBeenCalled();
  wall.releaseAll();
  expect(bo.dataset.pressed).toBeUndefined();
  // The next press is one of its own.
  press('pointerdown', bo);
  expect(tap).toHaveBeenCalledTimes(2);
  for (const kind of ['pointerdown', 'touchstart', 'touchend']) document.removeEventListener(kind, elsewhere);
});

test('where there is no time to take the release opens the athlete, and the touch goes its usual way', () => {
  tap.mockReturnValue(false);
  press('pointerdown', tile('Kit'));
  expect(press('touchstart', tile('Kit')).defaultPrevented).toBe(false);
  expect(open).not.toHaveBeenCalled();
  press('click', tile('Kit'));
  expect(open.mock.calls).toEqual([['kit']]);
  expect(tile('Kit').dataset.pressed).toBeUndefined();
});

test('a mouse takes it once, the click that follows does nothing; a click alone is a screen reader’s and counts', () => {
  press('pointerdown', tile('Bo'), { pointerType: 'mouse' });
  press('click', tile('Bo'));
  expect(tap).toHaveBeenCalledTimes(1);
  press('click', tile('Bo'));
  expect(tap).toHaveBeenCalledTimes(2);
  press('pointerdown', tile('Bo'), { pointerType: 'mouse', button: 2 });
  expect(tap).toHaveBeenCalledTimes(2);
  expect(open).not.toHaveBeenCalled();
});

test('by keyboard Enter takes it, held down only once', () => {
  press('keydown', tile('Bo'), { key: 'Enter' });
  press('keydown', tile('Bo'), { key: 'Enter', repeat: true });
  press('keydown', tile('Bo'), { key: ' ' });
  expect(tap).toHaveBeenCalledTimes(1);
});

test('taken away, it hears nothing any more', () => {
  const bo = tile('Bo');
  wall.remove();
  host.append(bo);
  press('pointerdown', bo);
  expect(tap).not.toHaveBeenCalled();
});
