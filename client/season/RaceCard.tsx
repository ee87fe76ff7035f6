import { useState } from 'react';
import { View } from 'react-native';
import {
  lapSplits,
  openingFor,
  RACE_SHAPES,
  readRace,
  thirdSplits,
  USUAL_FOCUS,
  type RaceAim,
  type RaceShape,
} from '@core/season/raceDay';
import type { RaceEntry, SeasonPlan, SeasonRace } from '@core/season/season';
import { timeFor } from '@core/fitness/curve';
import type { AthletePaces } from '@core/squad/athletePaces';
import { formatDistance } from '@core/units/distance';
import { formatMarkTime, formatTime } from '@core/units/time';
import { PrimaryButton } from '../ui/PrimaryButton';
import { Segments } from '../ui/Segments';
import { RADIUS, SPACE, usePalette } from '../ui/theme';
import { TextField } from '../ui/TextField';
import { Text } from '../ui/Text';
import { readSplits, type SplitUnit } from './readSplits';

const SHAPE_WORDS: Record<RaceShape, string> = { even: 'Even', faster: 'Second half faster' };
const UNIT_WORDS: Record<SplitUnit, string> = { lap: 'By lap', km: 'By km' };
const UNITS = ['lap', 'km'] as const;

type Props = {
  race: SeasonRace;
  entry: RaceEntry;
  name: string;
  paces: AthletePaces | undefined;
  rehearsed: SeasonPlan['rehearsed'];
  /** The time they ran, where it is a mark already. */
  resultS: number | undefined;
  saveSplits: (splits: NonNullable<RaceEntry['splits']>) => void;
};

/** Times at the finish line, lap by lap. */
function Splits({ aim }: { aim: RaceAim }) {
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.l }}>
      {lapSplits(aim).map(({ atM, timeS }) => (
        <View key={atM} style={{ flexDirection: 'row', gap: SPACE.s, minWidth: 116 }}>
          <Text as="small" quiet style={{ width: 48, textAlign: 'right' }}>
            {String(Math.round(atM))}
          </Text>
          <Text as="strong">{formatTime(timeS, 1)}</Text>
        </View>
      ))}
    </View>
  );
}

/** For a goal still far off: the pace from half way, and the time it ends in. */
function IfGood({ openAim, goalS }: { openAim: RaceAim; goalS: number }) {
  const { distanceM, goalS: nowS } = openAim;
  return (
    <Text as="small">
      {`If good at half way: ${formatTime((goalS / distanceM) * 400, 1)} a lap from there, the goal’s pace, for ${formatMarkTime((nowS + goalS) / 2)}.`}
    </Text>
  );
}

/** What an athlete takes to the start: the opening, every lap, and what to think of in each third. */
function Card({ race, entry, name, paces, rehearsed }: Omit<Props, 'resultS' | 'saveSplits'>) {
  const palette = usePalette();
  const [shape, setShape] = useState<RaceShape>('even');
  const { distanceM, goalS } = entry;
  const nowS = paces?.curve ? timeFor(paces.curve, distanceM) : undefined;
  const aimS = goalS ?? nowS;
  if (aimS === undefined) return <Text quiet>A goal, or a mark of theirs, gives the splits.</Text>;
  const aim = { distanceM, goalS: aimS, shape };
  const opening = openingFor({
    distanceM,
    ...(goalS === undefined ? {} : { goalS }),
    ...(nowS === undefined ? {} : { nowS }),
  });
  // The card has the splits to open at.
  const isBold = opening?.from === 'now' && goalS !== undefined && nowS !== undefined;
  const openAim = isBold ? { ...aim, goalS: nowS } : aim;
  const focus = race.focus ?? USUAL_FOCUS;
  const gear = [rehearsed?.shoes, rehearsed?.drink, rehearsed?.gel].filter((item) => item !== undefined);
  return (
    <View
      style={{
        gap: SPACE.s,
        padding: SPACE.m,
        borderRadius: RADIUS,
        borderWidth: 1.5,
        borderColor: palette.ink,
        backgroundColor: palette.ground,
      }}
    >
      <Text as="heading" level={3}>
        {`${name}, ${formatDistance(distanceM)} in ${formatMarkTime(openAim.goalS)}${isBold ? `, goal ${formatMarkTime(aimS)}` : ''}`}
      </Text>
      <Segments who={name} values={RACE_SHAPES} words={SHAPE_WORDS} value={shape} onChange={setShape} />
      {opening && (
        <Text as="strong">
          {opening.from === 'goal'
            ? `Open at ${formatTime(opening.pace400S, 1)} a lap, the goal’s pace`
            : `Open at ${formatTime(opening.pace400S, 1)} a lap, what they can run now`}
        </Text>
      )}
      <Splits aim={openAim} />
      {isBold && <IfGood openAim={openAim} goalS={aimS} />}
      {thirdSplits(openAim).map(({ atM, timeS }, i) => (
        <View key={atM}>
          <Text as="small">{`To ${Math.round(atM)} m in ${formatTime(timeS, 1)}`}</Text>
          <Text as="small" quiet>
            {focus[i] ?? ''}
          </Text>
        </View>
      ))}
      {gear.length > 0 && <Text as="small">{`As rehearsed: ${gear.join(', ')}`}</Text>}
    </View>
  );
}

/** A race that was run, read by thirds, from the times on the way. */
function Reading({ entry, resultS, saveSplits }: Pick<Props, 'entry' | 'resultS' | 'saveSplits'>) {
  const [unit, setUnit] = useState<SplitUnit>('lap');
  const [text, setText] = useState('');
  const [error, setError] = useState<string>();
  const { distanceM, goalS = resultS, splits } = entry;
  if (goalS === undefined) return null;
  const read = splits ? readRace({ distanceM, goalS, shape: 'even' }, splits) : undefined;
  const submit = () => {
    const found = readSplits(text, distanceM, unit);
    setError(found.ok ? undefined : found.message);
    if (!found.ok) return;
    if (!readRace({ distanceM, goalS, shape: 'even' }, found.splits))
      return setError('These times do not go up to the finish.');
    saveSplits(found.splits);
    setText('');
  };
  return (
    <View style={{ gap: SPACE.s }}>
      {read && (
        <View style={{ gap: SPACE.xs }}>
          <Text as="strong">{read.text}</Text>
          {read.thirds.map(({ targetS, timeS, percent }, i) => (
            <Text key={i} as="small">
              {`${['First', 'Second', 'Last'][i] ?? ''} third: ${formatTime(timeS, 1)}${entry.goalS === undefined ? '' : `, planned ${formatTime(targetS, 1)} (${percent >= 0 ? '+' : '−'}${Math.abs(percent).toFixed(1)} %)`}`}
            </Text>
          ))}
          <Text>{`To work on: ${read.workOn.charAt(0).toLowerCase()}${read.workOn.slice(1)}`}</Text>
        </View>
      )}
      <Segments who="Splits" values={UNITS} words={UNIT_WORDS} value={unit} onChange={setUnit} />
      <TextField
        label="Splits, in order"
        value={text}
        onChange={setText}
        error={error}
        hint="From the gun or one a lap: 50 2:00 3:12 4:20"
      />
      <View style={{ flexDirection: 'row' }}>
        <PrimaryButton disabled={text.trim() === ''} onPress={submit}>
          Read them by thirds
        </PrimaryButton>
      </View>
    </View>
  );
}

/** One athlete's race: the card before it, and how it was run after it. */
export function RaceCard({ race, entry, name, paces, rehearsed, resultS, saveSplits }: Props) {
  return (
    <View style={{ gap: SPACE.m }}>
      {resultS === undefined && <Card {...{ race, entry, name, paces, rehearsed }} />}
      {resultS !== undefined && <Reading {...{ entry, resultS, saveSplits }} />}
    </View>
  );
}
