import { useCallback, useEffect, useState } from 'react';
import { flushSync } from 'react-dom';
import { View } from 'react-native';
import { cardText, passesText, targetText, timesText } from '@core/planning/card';
import type { AthletePlan } from '@core/planning/athletePlans';
import { targetsCsv } from '@core/formats/targetsCsv';
import { MARKS, type Every } from '../../parts/editor/look/Targets';
import { Choice } from '../../ui/Choice';
import { Empty } from '../../ui/Empty';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { Printed } from '../../ui/Printed';
import { saveFile } from '../../ui/saveFile';
import { Select } from '../../ui/Select';
import { SmallButton } from '../../ui/SmallButton';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { useNotice } from '../../ui/Notices';
import { useWide } from '../../ui/useWide';
import { Text } from '../../ui/Text';
import type { Planning } from '../../data/usePlanning';
import { cardFor } from './sheets';
import { PocketCards } from './PocketCards';
import { GroupSheets, SquadSheet } from './Sheets';

const SHEETS = {
  squad: { text: 'Squad sheet', Sheet: SquadSheet },
  group: { text: 'Group sheets', Sheet: GroupSheets },
  cards: { text: 'Pocket cards', Sheet: PocketCards },
};
type SheetName = keyof typeof SHEETS;
const NAMES = Object.keys(SHEETS) as SheetName[];

/** One athlete's card, to be read from the phone in the hand. */
function CardOnScreen({
  planning,
  athletePlan,
  everyM,
}: {
  planning: Planning;
  athletePlan: AthletePlan;
  everyM: number;
}) {
  const palette = usePalette();
  const { who, lines } = cardFor(planning, athletePlan, everyM);
  const { rounding } = planning;
  return (
    <View
      role="region"
      aria-label={`Card of ${athletePlan.runner.name}`}
      style={{ gap: SPACE.m, padding: SPACE.l, borderRadius: RADIUS, borderWidth: 2, borderColor: palette.ink }}
    >
      <Text as="strong">{who}</Text>
      {lines.map((line, i) => (
        <View key={i} style={{ gap: 2 }}>
          <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline', gap: SPACE.s }}>
            <Text as="heading" style={{ flexShrink: 1 }}>
              {timesText(line)}
            </Text>
            <Text as="title">{targetText(line, rounding)}</Text>
          </View>
          {line.passes.length > 0 && <Text>{passesText(line.passes, rounding)}</Text>}
          <Text as="small" quiet>
            {[
              line.recovery === undefined ? '' : `rest ${line.recovery}`,
              line.then === undefined ? '' : `then ${line.then}`,
              line.start === undefined ? '' : `from ${line.start}`,
              line.note ?? '',
            ]
              .filter(Boolean)
              .join(' · ')}
          </Text>
        </View>
      ))}
      {lines.length === 0 && <Text quiet>There is no rep to run in this session.</Text>}
    </View>
  );
}

/** The plan on paper, on a phone, as a message and as a list. */
export function Paper({ planning }: { planning: Planning }) {
  const wide = useWide();
  const palette = usePalette();
  const notice = useNotice();
  const { plans, groups, venue, session, rounding } = planning;
  const [name, setName] = useState<SheetName>('squad');
  const [way, setWay] = useState<'portrait' | 'landscape'>('landscape');
  const [every, setEvery] = useState<Every>('200');
  const [isPrinting, setPrinting] = useState(false);
  const [whoseId, setWhoseId] = useState<string>();
  const [shown, setShown] = useState<string>();
  const done = useCallback(() => setPrinting(false), []);
  // The browser's own printing prints the sheets too, not the screen.
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() !== 'p' || (!event.ctrlKey && !event.metaKey)) return;
      event.preventDefault();
      setPrinting(true);
    };
    const onPrint = () => flushSync(() => setPrinting(true));
    window.addEventListener('keydown', onKey);
    window.addEventListener('beforeprint', onPrint);
    return () => {
      window.removeEventListener('keydown', onKey);
      window.removeEventListener('beforeprint', onPrint);
    };
  }, []);
  const athletePlan = plans.find(({ runner }) => runner.id === whoseId) ?? plans[0];
  if (!athletePlan) return <Empty title="Nobody to print for">Tick who takes part, under Groups.</Empty>;
  const everyM = Number(every);
  const isLandscape = way === 'landscape' && name !== 'cards';
  const { Sheet } = SHEETS[name];
  const textFor = (some: readonly AthletePlan[]) =>
    some.map((athletePlan) => cardText(cardFor(planning, athletePlan, everyM), rounding)).join('\n');
  const copy = async (some: readonly AthletePlan[], whose: string) => {
    const text = textFor(some);
    try {
      await navigator.clipboard.writeText(text);
      setShown(undefined);
      notice({ text: `Copied for ${whose}: paste it in a message.` });
    } catch {
      // The browser refuses the clipboard: the text can still be copied by hand.
      setShown(text);
    }
  };
  const save = () => saveFile(`Targets ${session.date}.csv`, targetsCsv(plans, groups, venue), 'text/csv');
  const group = groups.find(({ id }) => id === athletePlan.groupId);
  const paper = (
    <View style={{ gap: SPACE.m }}>
      <Choice
        label="What to print"
        options={NAMES.map((value) => ({ value, text: SHEETS[value].text }))}
        value={name}
        onChange={setName}
      />
      {name !== 'cards' && (
        <Choice
          label="Page"
          options={[
            { value: 'portrait', text: 'Upright' },
            { value: 'landscape', text: 'Across' },
          ]}
          value={way}
          onChange={setWay}
        />
      )}
      <Choice label="Marks" options={MARKS} value={every} onChange={setEvery} />
      <View style={{ alignItems: 'flex-start' }}>
        <PrimaryButton main onPress={() => setPrinting(true)}>
          Print
        </PrimaryButton>
      </View>
      <Text as="small" quiet>
        {name === 'squad'
          ? 'The whole squad on one page: what to call for each group, everyone’s targets, and an empty box for every split.'
          : name === 'group'
            ? 'A page for each group, for whoever times it.'
            : 'Eight to a page, to cut out: targets, times at the marks, recoveries and boxes.'}
      </Text>
      <View style={{ alignItems: 'flex-start' }}>
        <SmallButton onPress={save}>Save all targets as a list (CSV)</SmallButton>
      </View>
      {isPrinting && (
        <Printed label={`${session.title} on paper`} isLandscape={isLandscape} done={done}>
          <Sheet planning={planning} everyM={everyM} isLandscape={isLandscape} />
        </Printed>
      )}
    </View>
  );
  const card = (
    <View style={{ gap: SPACE.m }}>
      <Select
        label="Card of"
        options={plans.map(({ runner }) => ({ value: runner.id, text: runner.name }))}
        value={athletePlan.runner.id}
        onChange={setWhoseId}
      />
      <CardOnScreen planning={planning} athletePlan={athletePlan} everyM={everyM} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <SmallButton onPress={() => void copy([athletePlan], athletePlan.runner.tileName)}>Copy as text</SmallButton>
        {group && (
          <SmallButton
            onPress={() =>
              void copy(
                plans.filter(({ groupId }) => groupId === group.id),
                group.name,
              )
            }
          >
            {`Copy for ${group.name}`}
          </SmallButton>
        )}
      </View>
      {shown !== undefined && (
        <View style={{ gap: SPACE.xs }}>
          <Text as="small">The browser would not copy it: select it here.</Text>
          <Text as="small" style={{ padding: SPACE.m, backgroundColor: palette.raised }}>
            {shown}
          </Text>
        </View>
      )}
    </View>
  );
  if (!wide)
    return (
      <View style={{ gap: SPACE.xl }}>
        {card}
        {paper}
      </View>
    );
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.xl }}>
      <View style={{ flex: 1, minWidth: 0 }}>{paper}</View>
      <View style={{ flex: 1, minWidth: 0 }}>{card}</View>
    </View>
  );
}
