import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { ScrollView, View } from 'react-native';
import { completionsAt } from '@core/session/completions';
import type { SessionReading } from '@core/session/parseSession';
import { laterCode } from '../../../ui/lazyScreen';
import type { Palette } from '../../../ui/palette';
import { Press } from '../../../ui/Press';
import { rem } from '../../../ui/rem';
import { TextField } from '../../../ui/TextField';
import { RADIUS, SPACE, WORDS, usePalette } from '../../../ui/theme';
import { useWide } from '../../../ui/useWide';
import { Text } from '../../../ui/Text';
import type { Look, SessionField } from './codeMirror';
import { stretches } from './marker';

const editor = laterCode(
  () => import('./codeMirror'),
  (file) => file.SessionField,
);

type Props = {
  text: string;
  reading: SessionReading;
  paceNames: readonly string[];
  onChange: (text: string) => void;
};

const HINT = 'warm: 1600 @easy\nmain: 6x400 @5k / 90s\ncool: 1200 @easy';

/** As with a highlighter pen: paces zest, recoveries sand, notes and comments dotted, parts underlined. */
const lookOf = (palette: Palette): Look => ({
  '&': {
    ...WORDS.body,
    fontSize: rem(18),
    color: palette.ink,
    backgroundColor: palette.ground,
    border: `1.5px solid ${palette.quiet}`,
    borderRadius: `${RADIUS}px`,
  },
  '&:has([aria-invalid=true])': { borderColor: palette.late },
  '.cm-scroller': { fontFamily: 'inherit', lineHeight: rem(28) },
  '.cm-content': {
    minHeight: '148px',
    boxSizing: 'border-box',
    padding: '10px 12px',
    caretColor: palette.ink,
    overflowWrap: 'anywhere',
  },
  '.cm-line': { padding: 0 },
  '.cm-placeholder': { color: palette.quiet, whiteSpace: 'pre-wrap' },
  '.pen-pace': { backgroundColor: palette.dark ? palette.fill : palette.action, borderRadius: '3px' },
  '.pen-recovery': { backgroundColor: palette.sand, borderRadius: '3px' },
  '.pen-role': { textDecoration: `underline ${palette.ink} 2px` },
  '.pen-note, .pen-comment': { textDecoration: `underline dotted ${palette.quiet}` },
  '.pen-wrong': {
    // Ink lies on it: in the dark only a tint of the warning leaves that legible.
    backgroundColor: palette.dark ? `${palette.warning}55` : palette.warning,
    textDecoration: `underline wavy ${palette.late} 2px`,
  },
  '.cm-lintRange': { backgroundImage: 'none', padding: 0 },
  '.cm-lintPoint:after': { borderBottomColor: palette.late },
  '.cm-tooltip, .cm-panels': {
    ...WORDS.body,
    maxWidth: 'calc(100vw - 16px)',
    color: palette.ink,
    backgroundColor: palette.ground,
    border: `1.5px solid ${palette.ink}`,
    borderRadius: `${RADIUS}px`,
  },
  '.cm-tooltip.cm-tooltip-autocomplete > ul': { fontFamily: 'inherit', maxHeight: '240px', minWidth: '140px' },
  '.cm-tooltip.cm-tooltip-autocomplete > ul > li': {
    display: 'flex',
    alignItems: 'center',
    minHeight: '44px',
    padding: '0 12px',
    lineHeight: rem(23),
  },
  '.cm-tooltip-autocomplete ul li[aria-selected]': { color: palette.onAction, backgroundColor: palette.action },
  '.cm-diagnosticText': { display: 'block' },
  '.cm-diagnostic': { borderLeft: `5px solid ${palette.late}`, padding: '8px 12px' },
  '.cm-diagnosticAction': {
    ...WORDS.small,
    fontWeight: '700',
    minHeight: '44px',
    padding: '0 12px',
    margin: '8px 8px 0 0',
    color: palette.ink,
    backgroundColor: 'transparent',
    border: `1.5px solid ${palette.ink}`,
    borderRadius: `${RADIUS}px`,
  },
});

/** Signs that hide behind two presses on a phone's keys. */
const SIGNS = ['x', '@', ' / ', '-', '(', ')', ', ', ':'] as const;
const SIGN_NAMES: Partial<Record<string, string>> = { ' / ': 'slash', ', ': 'comma', '-': 'dash', ':': 'colon' };

function Signs({ onPick }: { onPick: (sign: string) => void }) {
  const palette = usePalette();
  return (
    <ScrollView
      horizontal
      role="group"
      aria-label="Signs"
      showsHorizontalScrollIndicator={false}
      keyboardShouldPersistTaps="always"
      contentContainerStyle={{ flexDirection: 'row', gap: 5, flexGrow: 1 }}
    >
      {SIGNS.map((sign) => (
        <Press
          key={sign}
          role="button"
          aria-label={SIGN_NAMES[sign] ?? sign}
          // The text keeps the cursor.
          {...({ onMouseDown: (event: { preventDefault(): void }) => event.preventDefault() } as object)}
          onPress={() => onPick(sign)}
          style={{
            minWidth: 44,
            minHeight: 44,
            flexGrow: 1,
            paddingHorizontal: 4,
            alignItems: 'center',
            justifyContent: 'center',
            borderRadius: RADIUS,
            backgroundColor: palette.raised,
          }}
        >
          <Text as="strong">{sign.trim()}</Text>
        </Press>
      ))}
    </ScrollView>
  );
}

/** The code of the editor, once it is here; it does not come in under the fingers of somebody who is writing in the plain field. */
function useEditor() {
  const [code, setCode] = useState(editor.here);
  const isWriting = useRef(false);
  useEffect(() => {
    let isOpen = true;
    void editor.fetch().then(
      () => isOpen && !isWriting.current && setCode(editor.here),
      // Without it the plain field stays: it takes the same text.
      () => undefined,
    );
    return () => {
      isOpen = false;
    };
  }, []);
  return {
    Field: code,
    onFocus: () => {
      isWriting.current = true;
    },
    onBlur: () => {
      isWriting.current = false;
      setCode(editor.here);
    },
  };
}

/** The session as text: marked as it is typed, pace names offered, and the signs it needs within reach. */
export function SessionText({ text, reading, paceNames, onChange }: Props) {
  const palette = usePalette();
  const wide = useWide();
  const { Field, onFocus, onBlur } = useEditor();
  const [host, setHost] = useState<View | null>(null);
  const field = useRef<SessionField>(undefined);
  const acts = useRef({ paceNames, onChange });
  useLayoutEffect(() => {
    acts.current = { paceNames, onChange };
  });
  useLayoutEffect(() => {
    if (!Field || !host) return undefined;
    const made = new Field({
      // On the web a view is an element of the page.
      host: host as unknown as HTMLElement,
      label: 'Session',
      hint: HINT,
      offer: (all, at) => completionsAt(all, at, acts.current.paceNames),
      // At once, as React does with what is typed into its own fields: letter and lap sheet in one picture.
      onChange: (all) => flushSync(() => acts.current.onChange(all)),
    });
    field.current = made;
    return () => {
      made.remove();
      field.current = undefined;
    };
  }, [Field, host]);
  useLayoutEffect(() => field.current?.setLook(lookOf(palette), palette.dark), [palette, Field, host]);
  useLayoutEffect(() => field.current?.setText(text), [text, Field, host]);
  useEffect(() => {
    const { tokens, problems } = reading;
    // After the picture of the session, which is waited for; till then the marks move along with the letters.
    const frame = requestAnimationFrame(() =>
      field.current?.mark(stretches(text, tokens, problems), text.trim() === '' ? [] : problems, (answer) =>
        acts.current.onChange(answer),
      ),
    );
    return () => cancelAnimationFrame(frame);
  }, [text, reading, Field, host]);
  return (
    <View style={{ gap: SPACE.s }}>
      {Field ? (
        <View style={{ gap: 4 }}>
          <Text as="label" quiet>
            Session
          </Text>
          <View ref={setHost} />
        </View>
      ) : (
        <View onFocus={onFocus} onBlur={onBlur}>
          <TextField label="Session" lines={5} placeholder={HINT} value={text} onChange={onChange} />
        </View>
      )}
      {wide ? (
        <Text as="small" quiet>
          Paces are offered after an @: Tab takes the first.
        </Text>
      ) : (
        Field && <Signs onPick={(sign) => field.current?.type(sign)} />
      )}
    </View>
  );
}
