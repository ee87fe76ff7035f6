import createDOMProps, { ariaOf } from './createDOMProps';

test.each([
  ['checkbox', { checked: true }, { 'aria-checked': true }],
  ['radio', { selected: false }, { 'aria-checked': false }],
  ['switch', { checked: false, disabled: true }, { 'aria-checked': false, 'aria-disabled': true }],
  ['tab', { selected: true }, { 'aria-selected': true }],
  ['button', { checked: true }, { 'aria-pressed': true }],
  ['button', { disabled: false }, {}],
  ['button', { expanded: true, busy: true }, { 'aria-expanded': true, 'aria-busy': true }],
  [undefined, { selected: true }, {}],
])('the state of a %s comes to the page', (role, accessibilityState, aria) =>
  expect(ariaOf({ accessibilityState }, role)).toEqual(aria),
);

test('so does a value; what a component says in aria itself counts first', () => {
  const value = { min: 0, max: 10, now: 3, text: 'three' };
  const props = createDOMProps('div', { role: 'slider', accessibilityValue: value, 'aria-valuetext': '3 of 10' });
  expect(props).toMatchObject({
    role: 'slider',
    'aria-valuemin': 0,
    'aria-valuemax': 10,
    'aria-valuenow': 3,
    'aria-valuetext': '3 of 10',
  });
  expect(props).not.toHaveProperty('accessibilityValue');
});

test('Space presses a checkbox once, and what is typed inside it stays typing', () => {
  const press = jest.fn();
  const props = createDOMProps('div', { role: 'checkbox', onClick: press });
  const box = document.createElement('div');
  box.addEventListener('click', press);
  const inside = document.createElement('input');
  const key = (target: HTMLElement, name: string) => {
    const event = { key: name, target, currentTarget: box, defaultPrevented: false, preventDefault: jest.fn() };
    (props.onKeyDown as (event: object) => void)(event);
    return event;
  };
  expect(key(box, ' ').preventDefault).toHaveBeenCalled();
  key(inside, ' ');
  key(box, 'x');
  expect(press).toHaveBeenCalledTimes(1);
  expect(createDOMProps('div', { role: 'button', onClick: press })).not.toHaveProperty('onKeyDown');
});
