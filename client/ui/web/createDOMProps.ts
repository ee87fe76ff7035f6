/**
 * How a component's props become those of the page's element, with what React Native Web 0.21 leaves out: the state and the value of a
 * component as aria, and Space on everything that a keyboard presses with it. Once, for every component of Paper.
 */
import domPropsOf from 'react-native-web/dist/modules/createDOMProps/index';
import roleOf from 'react-native-web/dist/modules/AccessibilityUtil/propsToAriaRole';
import type { KeyboardEvent } from 'react';

type State = {
  checked?: boolean | 'mixed';
  selected?: boolean;
  expanded?: boolean;
  busy?: boolean;
  disabled?: boolean;
};
type Value = { min?: number; max?: number; now?: number; text?: string };
type Props = Record<string, unknown> & { accessibilityState?: State; accessibilityValue?: Value };

const CHECKED = new Set(['checkbox', 'radio', 'switch', 'menuitemcheckbox', 'menuitemradio']);
const SELECTED = new Set(['tab', 'option', 'row', 'gridcell', 'treeitem']);
const PRESSED_BY_SPACE = new Set([...CHECKED, 'tab', 'option', 'menuitem']);

/** What a role calls being on: checked, selected, or pressed. */
function onProp(role: string | undefined): string | undefined {
  if (role === undefined) return undefined;
  if (CHECKED.has(role)) return 'aria-checked';
  if (SELECTED.has(role)) return 'aria-selected';
  return role === 'button' ? 'aria-pressed' : undefined;
}

/** State and value as aria; what a component says of itself in aria counts first. */
export function ariaOf({ accessibilityState = {}, accessibilityValue = {} }: Props, role: string | undefined) {
  const { checked, selected = checked, expanded, busy, disabled } = accessibilityState;
  const { min, max, now, text } = accessibilityValue;
  const on = onProp(role);
  const aria = {
    ...(on === undefined ? {} : { [on]: checked ?? selected }),
    'aria-expanded': expanded,
    'aria-busy': busy || undefined,
    'aria-disabled': disabled || undefined,
    'aria-valuemin': min,
    'aria-valuemax': max,
    'aria-valuenow': now,
    'aria-valuetext': text,
  };
  return Object.fromEntries(Object.entries(aria).filter(([, value]) => value !== undefined));
}

/** Space presses it, as it does a button of the page. */
function pressBySpace(event: KeyboardEvent<HTMLElement>): void {
  if (event.key !== ' ' || event.target !== event.currentTarget || event.defaultPrevented) return;
  event.preventDefault();
  event.currentTarget.click();
}

export default function createDOMProps(element: unknown, props: Props | undefined, options?: unknown) {
  const { accessibilityState, accessibilityValue, ...rest } = props ?? {};
  const role = roleOf(rest);
  const aria = accessibilityState || accessibilityValue ? ariaOf(props ?? {}, role) : {};
  const domProps = domPropsOf(element, { ...aria, ...rest }, options);
  if (role !== undefined && PRESSED_BY_SPACE.has(role) && rest.onClick) {
    const before = domProps.onKeyDown as ((event: KeyboardEvent<HTMLElement>) => void) | undefined;
    domProps.onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
      before?.(event);
      pressBySpace(event);
    };
  }
  return domProps;
}
