import { router } from 'expo-router';
import { useDeferredValue, useEffect, useEffectEvent, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { IconButton } from 'react-native-paper';
import type { Intent } from '@core/session/intent';
import { Cautions } from '../../../ui/Cautions';
import { totalsOf } from '../../../data/sessionView';
import { useLengthUnit } from '../../../data/useLengthUnit';
import type { SquadView } from '../../../data/useSquad';
import { Choice } from '../../../ui/Choice';
import { Page } from '../../../ui/Page';
import { SmallButton } from '../../../ui/SmallButton';
import { TextField } from '../../../ui/TextField';
import { SPACE, usePalette } from '../../../ui/theme';
import { Trouble } from '../../../ui/Trouble';
import { useWide } from '../../../ui/useWide';
import { Text } from '../../../ui/Text';
import { Builder } from '../build/Builder';
import { LapView } from '../look/LapView';
import { OnPaper } from '../look/OnPaper';
import { Targets, usePlanPreview } from '../look/Targets';
import { Totals } from '../look/Totals';
import { HowToWrite } from './HowToWrite';
import { KindPicker } from './KindPicker';
import { Problems } from './Problems';
import { Understood } from './Understood';
import { SessionText } from './SessionText';
import type { Saving } from './useAutosave';
import type { Draft } from './useDraft';
import type { Written } from './keptDraft';
import { useLook } from './useLook';

type Side = 'text' | 'build' | 'targets' | 'about';

function savingText(saving: Saving): string {
  if (saving.state === 'saving') return 'Saving …';
  return saving.state === 'saved' ? 'Saved' : 'Not saved yet';
}

/** Ctrl+Z and ⌘Z undo, with Shift or as Ctrl+Y redo; other fields keep their own. */
function useStepKeys(back: () => void, forward: () => void) {
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (!event.ctrlKey && !event.metaKey) return;
    const key = event.key.toLowerCase();
    if (key !== 'z' && key !== 'y') return;
    const field = event.target as HTMLElement | null;
    const isOther = field?.matches('input, textarea, select') && field.getAttribute('aria-label') !== 'Session';
    if (isOther) return;
    event.preventDefault();
    if (key === 'y' || event.shiftKey) forward();
    else back();
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => onKey(event);
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}

type HeadIconProps = { name: 'undo' | 'redo' | 'remove'; label: string; isOn?: boolean; go: () => void };

function HeadIcon({ name, label, isOn = true, go }: HeadIconProps) {
  return (
    <IconButton
      icon={name}
      disabled={!isOn}
      onPress={go}
      accessibilityLabel={label}
      style={{ margin: 0, width: 44, height: 44 }}
    />
  );
}

type Props<D extends Written> = {
  draft: Draft<D & { intent?: Intent | undefined }>;
  squad: SquadView;
  /** The day its targets are for, YYYY-MM-DD. */
  date: string;
  title: string;
  onBack: () => void;
  backLabel: string;
  /** Beside the title field. */
  fields?: ReactNode;
  startTime?: string | undefined;
  /** More about it, as a side of its own. */
  extra?: ReactNode;
  onRemove: { label: string; go: () => void };
  footer: (readable: boolean) => ReactNode;
};

/** Writing a session: text and builder as two views of one tree, with its lap sheet, totals and everyone's targets. */
export function EditorPage<D extends Written>({
  draft,
  squad,
  date,
  title,
  onBack,
  backLabel,
  fields,
  startTime,
  extra,
  onRemove,
  footer,
}: Props<D>) {
  const wide = useWide();
  const unit = useLengthUnit();
  const palette = usePalette();
  const { typed, change, reading, isReadable, lastGood, saving, stepBack, stepForward } = draft;
  const part = change as (part: Partial<Written & { intent?: Intent | undefined }>) => void;
  const [side, setSide] = useState<Side>('text');
  // While it has never been readable, what can be read of it.
  const session = lastGood?.session ?? (reading.session.lines.length > 0 ? reading.session : undefined);
  const look = useLook(session, squad, date, typed.intent);
  // Everyone's targets may come a moment after what is typed.
  const plan = usePlanPreview(useDeferredValue(session), squad, { date, intent: look.intent, venue: look.venue });
  useStepKeys(stepBack, stepForward);

  const head = (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m }}>
      <View style={{ flexGrow: 1, flexBasis: fields ? 220 : '100%' }}>
        <TextField
          label="Title"
          value={typed.title}
          onChange={(text) => part({ title: text })}
          error={typed.title.trim() === '' ? 'A title is needed.' : undefined}
        />
      </View>
      {fields}
    </View>
  );
  const text = (
    <View style={{ gap: SPACE.m }}>
      <SessionText
        text={typed.shorthand}
        reading={reading}
        paceNames={squad.paceNames}
        onChange={(shorthand) => part({ shorthand })}
      />
      {!isReadable && (
        <Problems text={typed.shorthand} problems={reading.problems} onAnswer={(shorthand) => part({ shorthand })} />
      )}
      {isReadable && (
        <Understood
          text={typed.shorthand}
          readAs={reading.readAs}
          doubts={reading.doubts}
          onTake={(shorthand) => part({ shorthand })}
        />
      )}
      <HowToWrite />
    </View>
  );
  const isBroken = !isReadable && typed.shorthand.trim() !== '';
  const building = isBroken ? (
    <Trouble>
      {lastGood
        ? 'The text cannot be read just now. Mend it, or step back to where it could.'
        : 'The text cannot be read yet. Mend it first.'}
    </Trouble>
  ) : (
    <Builder session={reading.session} book={look.book} build={draft.build} />
  );
  const kind = (
    <View style={{ gap: SPACE.m }}>
      <KindPicker chosen={typed.intent} suggested={look.suggested} onChange={(intent) => part({ intent })} />
      <Cautions list={look.cautions} />
      <View style={{ alignItems: 'flex-start' }}>
        <SmallButton onPress={() => router.push('/sessions/guides')}>Guides and schools</SmallButton>
      </View>
    </View>
  );
  const drawn = look.view && (
    <LapView
      view={look.view}
      whose={look.whose?.name}
      whoseId={look.whose?.id}
      people={look.people}
      onWhose={look.setWhoseId}
      description={
        isReadable ? totalsOf(look.view, unit) : lastGood ? 'as it last could be read' : 'as far as it can be read'
      }
    />
  );
  const paper = look.view && isReadable && <OnPaper title={typed.title} shorthand={typed.shorthand} view={look.view} />;
  const totals = session && <Totals ends={look.ends} startTime={startTime} />;
  const targets = plan ? (
    <Targets plan={plan} venue={look.venue} squad={squad} />
  ) : (
    <Text quiet>Write the session first: everyone’s times come by themselves.</Text>
  );
  const sides: { value: Side; text: string }[] = [
    { value: 'text', text: 'Text' },
    { value: 'build', text: 'Build' },
    ...(wide ? [] : [{ value: 'targets' as const, text: 'Targets' }]),
    ...(extra ? [{ value: 'about' as const, text: 'About' }] : []),
  ];
  return (
    <Page
      title={title}
      {...(wide || side === 'text' ? {} : { subtitle: typed.title })}
      onBack={onBack}
      backLabel={backLabel}
      aside={
        <View style={{ flexDirection: 'row', alignItems: 'center' }}>
          <Text as="small" color={saving.state === 'failed' ? palette.late : palette.quiet} live="polite">
            {savingText(saving)}
          </Text>
          <HeadIcon name="undo" label="Step back" isOn={draft.canStepBack} go={stepBack} />
          <HeadIcon name="redo" label="Step forward" isOn={draft.canStepForward} go={stepForward} />
          <HeadIcon name="remove" label={onRemove.label} go={onRemove.go} />
        </View>
      }
      footer={footer(isReadable && plan !== undefined && plan.reps.length > 0)}
    >
      {saving.state === 'failed' && <Trouble retry={() => void draft.saveNow()}>{saving.message}</Trouble>}
      {wide ? (
        <View style={{ flexDirection: 'row', gap: SPACE.xl }}>
          <View style={{ flex: 10, minWidth: 0, gap: SPACE.l }}>
            {head}
            <Choice label="Side" options={sides} value={side === 'targets' ? 'text' : side} onChange={setSide} />
            {side === 'build' ? building : side === 'about' ? extra : text}
            {side !== 'about' && kind}
          </View>
          <View style={{ flex: 10, minWidth: 0, gap: SPACE.xl }}>
            {drawn}
            {totals}
            {paper}
          </View>
          <View style={{ flex: 9, minWidth: 0, gap: SPACE.m }}>{targets}</View>
        </View>
      ) : (
        <>
          <Choice label="Side" options={sides} value={side} onChange={setSide} />
          {side === 'text' && head}
          {side === 'text' && text}
          {side === 'build' && building}
          {side === 'targets' && targets}
          {side === 'about' && extra}
          {(side === 'text' || side === 'build') && (
            <>
              {drawn}
              {kind}
              {totals}
              {paper}
            </>
          )}
        </>
      )}
    </Page>
  );
}
