/**
 * Keys inside a group of radios, tabs or menu items, as the page's own would have them: one of them is met by Tab, the arrows, Home and
 * End go to the others, and a radio is chosen on the way. Once for all of them, whatever draws them.
 */
const MEMBERS: Record<string, string> = { radiogroup: 'radio', tablist: 'tab', menu: 'menuitem' };
const GROUPS = Object.keys(MEMBERS)
  .map((role) => `[role=${role}]`)
  .join(',');
const STEPS: Record<string, number> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

function groupOf(target: EventTarget | null): { members: HTMLElement[]; at: number } | undefined {
  if (!(target instanceof HTMLElement)) return undefined;
  const group = target.closest(GROUPS);
  const role = group && MEMBERS[group.getAttribute('role') ?? ''];
  if (!group || !role) return undefined;
  const members = [...group.querySelectorAll<HTMLElement>(`[role=${role}]:not([aria-disabled=true])`)];
  const at = members.indexOf(target);
  return at < 0 ? undefined : { members, at };
}

/** The member that Tab meets from now on. */
function meet(members: readonly HTMLElement[], at: number): void {
  members.forEach((member, i) => {
    member.tabIndex = i === at ? 0 : -1;
  });
}

const isOn = (member: HTMLElement) =>
  member.getAttribute('aria-checked') === 'true' || member.getAttribute('aria-selected') === 'true';

function arrived({ target, relatedTarget }: FocusEvent): void {
  const group = groupOf(target);
  if (!group) return;
  const { members, at } = group;
  const isFromInside = relatedTarget instanceof HTMLElement && members.includes(relatedTarget);
  const on = members.findIndex(isOn);
  // By keyboard from outside to the one that is chosen; a pointer means the one it pressed.
  const isByKey = (target as HTMLElement).matches(':focus-visible');
  if (!isFromInside && isByKey && on >= 0 && on !== at) members[on]?.focus();
  else meet(members, at);
}

function pressed(event: KeyboardEvent): void {
  if (event.altKey || event.ctrlKey || event.metaKey || event.defaultPrevented) return;
  const group = groupOf(event.target);
  if (!group) return;
  const { members, at } = group;
  const step = STEPS[event.key];
  const ends: Record<string, number> = { Home: 0, End: members.length - 1 };
  const to = step === undefined ? ends[event.key] : (at + step + members.length) % members.length;
  const next = to === undefined ? undefined : members[to];
  if (!next) return;
  event.preventDefault();
  next.focus();
  if (next.getAttribute('role') === 'radio' && next !== event.target) next.click();
}

/** @returns what stops it. */
export function startGroupKeys(): () => void {
  document.addEventListener('focusin', arrived);
  document.addEventListener('keydown', pressed);
  return () => {
    document.removeEventListener('focusin', arrived);
    document.removeEventListener('keydown', pressed);
  };
}
