import { useEffect, useRef, type KeyboardEvent } from 'react';
import { unstable_createElement } from 'react-native-web';
import { View } from 'react-native';
import { RADIUS, usePalette } from '../../../ui/theme';
import { Text } from '../../../ui/Text';

const ROW_PX = 44;
const ROWS = 3;
/** The wheel has stopped when it has not moved for this long. */
const AT_REST_MS = 120;

type Props = {
  label: string;
  names: readonly string[];
  value: string;
  /** What a pace is for the athlete looked at: `1:28 a lap`. */
  describe: (name: string) => string | undefined;
  onChange: (name: string) => void;
};

/** The paces of the pace book, turned under one thumb: the one in the middle is taken. Arrow keys turn it too. */
export function PaceWheel({ label, names, value, describe, onChange }: Props) {
  const palette = usePalette();
  const box = useRef<HTMLDivElement>(null);
  const rest = useRef<ReturnType<typeof setTimeout>>(undefined);
  const at = Math.max(0, names.indexOf(value));
  useEffect(() => {
    const wheel = box.current;
    if (wheel && Math.abs(wheel.scrollTop - at * ROW_PX) > 1) wheel.scrollTop = at * ROW_PX;
  }, [at]);
  useEffect(() => () => clearTimeout(rest.current), []);
  const take = (index: number) => {
    const name = names[Math.min(names.length - 1, Math.max(0, index))];
    if (name !== undefined && name !== value) onChange(name);
  };
  // The resting pace is applied to the session as it is then: changes made meanwhile are kept.
  const latest = useRef(take);
  useEffect(() => {
    latest.current = take;
  });
  return (
    <View style={{ gap: 4, flex: 1, minWidth: 140 }}>
      <Text as="label" quiet>
        {label}
      </Text>
      {unstable_createElement('div', {
        ref: box,
        role: 'listbox',
        'aria-label': label,
        tabIndex: 0,
        onScroll: () => {
          clearTimeout(rest.current);
          rest.current = setTimeout(
            () => latest.current(Math.round((box.current?.scrollTop ?? 0) / ROW_PX)),
            AT_REST_MS,
          );
        },
        onKeyDown: (event: KeyboardEvent) => {
          const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
          if (by === 0) return;
          event.preventDefault();
          take(at + by);
        },
        style: {
          height: ROW_PX * ROWS,
          overflowY: 'auto',
          scrollSnapType: 'y mandatory',
          scrollbarWidth: 'none',
          overscrollBehavior: 'contain',
          borderWidth: 1.5,
          borderStyle: 'solid',
          borderColor: palette.quiet,
          borderRadius: RADIUS,
          boxSizing: 'border-box',
          paddingTop: ROW_PX - 1.5,
          paddingBottom: ROW_PX - 1.5,
        },
        children: names.map((name) => {
          const chosen = name === value;
          const pace = describe(name);
          return unstable_createElement('div', {
            key: name,
            role: 'option',
            'aria-selected': chosen,
            onClick: () => onChange(name),
            style: {
              height: ROW_PX,
              boxSizing: 'border-box',
              paddingLeft: 12,
              paddingRight: 12,
              scrollSnapAlign: 'center',
              display: 'flex',
              alignItems: 'center',
              justifyContent: 'space-between',
              cursor: 'pointer',
              backgroundColor: chosen ? palette.action : 'transparent',
            },
            children: [
              <Text key="name" as="strong" color={chosen ? palette.onAction : palette.ink}>
                {name}
              </Text>,
              pace !== undefined && (
                <Text key="pace" as="small" color={chosen ? palette.onAction : palette.quiet}>
                  {pace}
                </Text>
              ),
            ],
          });
        }),
      })}
    </View>
  );
}
