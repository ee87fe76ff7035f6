import { useLayoutEffect, useMemo, useState, type KeyboardEvent } from 'react';
import { unstable_createElement } from 'react-native-web';
import { ScrollView, View, type TextStyle } from 'react-native';
import { completionsAt } from '@core/session/completions';
import type { SessionReading } from '@core/session/parseSession';
import { Press } from '../../../ui/Press';
import { RADIUS, SPACE, usePalette } from '../../../ui/theme';
import type { Palette } from '../../../ui/palette';
import { useWide } from '../../../ui/useWide';
import { Text } from '../../../ui/Text';
import { stretches, type Stretch } from './marker';

type Props = {
  text: string;
  reading: SessionReading;
  paceNames: readonly string[];
  onChange: (text: string) => void;
};

/** The text field and its marks overlie each other: anything that shifts a letter has to apply to both. */
const FONT = {
  fontFamily: 'Zest',
  fontWeight: '500',
  fontSize: '1.125rem',
  lineHeight: '1.75rem',
  letterSpacing: 0,
  paddingTop: 10,
  paddingBottom: 10,
  paddingLeft: 12,
  paddingRight: 12,
  borderWidth: 1.5,
  borderStyle: 'solid',
  borderRadius: RADIUS,
  boxSizing: 'border-box',
  margin: 0,
  width: '100%',
  minHeight: 150,
  whiteSpace: 'pre-wrap',
  overflowWrap: 'anywhere',
  gridArea: '1 / 1',
} as const;

/** As with a highlighter pen: paces zest, recoveries sand, notes and comments dotted, parts underlined. */
function penOf({ kind, isWrong }: Stretch, palette: Palette): TextStyle & { textDecoration?: string } {
  if (isWrong)
    return {
      // Ink lies on it: in the dark only a tint of the warning leaves that legible.
      backgroundColor: palette.dark ? `${palette.warning}55` : palette.warning,
      textDecoration: `underline wavy ${palette.late} 2px`,
    };
  switch (kind) {
    case 'pace':
      return { backgroundColor: palette.dark ? palette.fill : palette.action };
    case 'recovery':
      return { backgroundColor: palette.sand };
    case 'role':
      return { textDecoration: `underline ${palette.ink} 2px` };
    case 'note':
    case 'comment':
      return { textDecoration: `underline dotted ${palette.quiet}` };
    default:
      return {};
  }
}

/** Signs that hide behind two presses on a phone's keys. */
const SIGNS = ['x', '@', ' / ', '-', '(', ')', ', ', ':'] as const;
const SIGN_NAMES: Partial<Record<string, string>> = { ' / ': 'slash', ', ': 'comma', '-': 'dash', ':': 'colon' };

function Keys({
  label,
  keys,
  chosen,
  onPick,
}: {
  label: string;
  keys: readonly string[];
  chosen?: number;
  onPick: (key: string) => void;
}) {
  const palette = usePalette();
  return (
    <ScrollView
      horizontal
      role="group"
      aria-label={label}
      showsHorizontalScrollIndicator={false}
      keyboardShouldPersistTaps="always"
      contentContainerStyle={{ flexDirection: 'row', gap: 5, flexGrow: 1 }}
    >
      {keys.map((key, i) => (
        <Press
          key={key}
          role="button"
          aria-label={SIGN_NAMES[key] ?? key}
          // The text keeps the cursor.
          {...({ onMouseDown: (event: { preventDefault(): void }) => event.preventDefault() } as object)}
          onPress={() => onPick(key)}
          style={{
            minWidth: 44,
            minHeight: 44,
            flexGrow: key.length < 4 ? 1 : 0,
            paddingHorizontal: key.trim().length > 1 ? 10 : 4,
            alignItems: 'center',
            justifyContent: 'center',
            borderRadius: RADIUS,
            backgroundColor: i === chosen ? palette.action : palette.raised,
          }}
        >
          <Text as="strong" color={i === chosen ? palette.onAction : palette.ink}>
            {key.trim()}
          </Text>
        </Press>
      ))}
    </ScrollView>
  );
}

/** The session as text: marked as it is typed, pace names offered, and the signs it needs within reach. */
export function SessionText({ text, reading, paceNames, onChange }: Props) {
  const palette = usePalette();
  const wide = useWide();
  const [area, setArea] = useState<HTMLTextAreaElement | null>(null);
  const [wanted, setWanted] = useState<{ at: number }>();
  const [cursor, setCursor] = useState(0);
  const [isFocused, setFocused] = useState(false);
  const [chosen, setChosen] = useState(0);
  const [isClosed, setClosed] = useState(false);
  const pens = useMemo(() => stretches(text, reading.tokens, reading.problems), [text, reading]);
  const offered = isFocused && !isClosed ? completionsAt(text, cursor, paceNames) : undefined;

  // In the same commit as the text it belongs to; a new object each time, so that the same position can be requested twice.
  useLayoutEffect(() => {
    if (wanted) area?.setSelectionRange(wanted.at, wanted.at);
  }, [wanted, area]);
  const put = (from: number, to: number, words: string) => {
    setWanted({ at: from + words.length });
    setCursor(from + words.length);
    setChosen(0);
    onChange(text.slice(0, from) + words + text.slice(to));
    area?.focus();
  };
  const pick = (name: string) => offered && put(offered.from, offered.to, name);
  const onKeyDown = (event: KeyboardEvent) => {
    if (!offered) return;
    const { length } = offered.options;
    const name = offered.options[chosen] ?? offered.options[0];
    if (event.key === 'Escape') setClosed(true);
    else if (event.key === 'ArrowDown' && event.altKey) setChosen((chosen + 1) % length);
    else if (event.key === 'ArrowUp' && event.altKey) setChosen((chosen + length - 1) % length);
    else if (event.key === 'Tab' && !event.shiftKey && offered.from < offered.to && name) pick(name);
    else return;
    event.preventDefault();
  };
  const sign = (key: string) => {
    const from = area?.selectionStart ?? text.length;
    put(from, area?.selectionEnd ?? from, key);
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <Text as="label" quiet>
        Session
      </Text>
      {unstable_createElement('div', {
        style: { display: 'grid', position: 'relative' },
        children: [
          unstable_createElement('pre', {
            key: 'marks',
            'aria-hidden': true,
            style: { ...FONT, borderColor: 'transparent', color: 'transparent', backgroundColor: palette.ground },
            children: [
              ...pens.map((stretch, i) =>
                unstable_createElement('span', {
                  key: i,
                  style: { ...penOf(stretch, palette), borderRadius: 3, color: 'transparent' },
                  children: stretch.text,
                }),
              ),
              // A last empty line would not be there.
              '\u200b',
            ],
          }),
          unstable_createElement('textarea', {
            key: 'text',
            ref: setArea,
            value: text,
            'aria-label': 'Session',
            'aria-invalid': reading.problems.length > 0 && text.trim() !== '',
            placeholder: 'warm: 1600 @easy\nmain: 6x400 @5k / 90s\ncool: 1200 @easy',
            spellCheck: false,
            autoCapitalize: 'none',
            autoCorrect: 'off',
            autoComplete: 'off',
            onChange: (event: { target: HTMLTextAreaElement }) => {
              setCursor(event.target.selectionStart);
              setChosen(0);
              setClosed(false);
              onChange(event.target.value);
            },
            onSelect: (event: { target: HTMLTextAreaElement }) => setCursor(event.target.selectionStart),
            onFocus: () => setFocused(true),
            onBlur: () => setFocused(false),
            onKeyDown,
            style: {
              ...FONT,
              position: 'relative',
              resize: 'none',
              overflow: 'hidden',
              height: '100%',
              color: palette.ink,
              caretColor: palette.ink,
              backgroundColor: 'transparent',
              borderColor: reading.problems.length > 0 && text.trim() !== '' ? palette.late : palette.quiet,
            },
          }),
        ],
      })}
      {/* Always as high: what is under it must not jump as the text gains or loses the cursor. */}
      <View style={{ height: 44, justifyContent: 'center' }}>
        {offered ? (
          <Keys label="Paces" keys={offered.options} chosen={chosen} onPick={pick} />
        ) : wide ? (
          <Text as="small" quiet>
            Paces are offered after an @: Tab takes the first.
          </Text>
        ) : (
          <Keys label="Signs" keys={SIGNS} onPick={sign} />
        )}
      </View>
    </View>
  );
}
