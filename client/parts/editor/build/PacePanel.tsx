import { View } from 'react-native';
import { offsetText } from './offsetText';
import type { Pace, RepPace, Recovery } from '@core/session/session';
import { formatTime, parseTime } from '@core/units/time';
import { useState } from 'react';
import { Choice } from '../../../ui/Choice';
import { Stepper } from '../../../ui/Stepper';
import { TextField } from '../../../ui/TextField';
import { SPACE } from '../../../ui/theme';
import { TickRow } from '../../../ui/TickRow';
import { PaceWheel } from './PaceWheel';

export type PaceBookView = {
  names: readonly string[];
  describe: (name: string) => string | undefined;
  /** The recovery that a new one begins as, and how one is spent, by the squad's school. */
  rest: Recovery;
};

const KINDS = [
  { value: 'named', text: 'By name' },
  { value: 'share', text: 'Share' },
  { value: 'absolute', text: 'Time' },
  { value: 'effort', text: 'Effort' },
  { value: 'none', text: 'None' },
] as const;
type Kind = (typeof KINDS)[number]['value'];

const nameOf = (pace: Pace | undefined) => (pace?.kind === 'named' || pace?.kind === 'share' ? pace.name : '5k');

/** A pace of another kind that is a good place to start from. */
function startOf(kind: Exclude<Kind, 'none'>, before: Pace | undefined): Pace {
  switch (kind) {
    case 'named':
      return { kind, name: nameOf(before), goal: false };
    case 'share':
      return { kind, percent: 95, name: nameOf(before) };
    case 'absolute':
      return { kind, timeS: 90, perM: 400 };
    case 'effort':
      return { kind, min: 7, max: 7 };
  }
}

function TimePer({ pace, onChange }: { pace: Pace & { kind: 'absolute' }; onChange: (pace: Pace) => void }) {
  const [typing, setTyping] = useState<string>();
  const read = typing === undefined ? undefined : parseTime(typing, pace.perM);
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'flex-start', flexWrap: 'wrap' }}>
      <View style={{ width: 120 }}>
        <TextField
          label="Time"
          value={typing ?? formatTime(pace.timeS, Number.isInteger(pace.timeS) ? 0 : 1, 100)}
          onChange={(text) => {
            setTyping(text);
            const typed = parseTime(text, pace.perM);
            if (typed.ok) onChange({ ...pace, timeS: typed.timeS });
          }}
          onBlur={() => setTyping(undefined)}
          {...(read && !read.ok ? { error: read.message } : {})}
        />
      </View>
      <Choice
        label="Over"
        showLabel
        options={[
          { value: '400', text: '400' },
          { value: '1000', text: 'km' },
        ]}
        value={String(pace.perM)}
        onChange={(perM) => onChange({ ...pace, perM: Number(perM), timeS: (pace.timeS * Number(perM)) / pace.perM })}
      />
    </View>
  );
}

/** One pace, of whatever kind. */
function OnePace({
  label,
  pace,
  book,
  onChange,
}: {
  label: string;
  pace: Pace;
  book: PaceBookView;
  onChange: (pace: Pace) => void;
}) {
  switch (pace.kind) {
    case 'named':
      return (
        <View style={{ gap: SPACE.s, flex: 1, minWidth: 140 }}>
          <PaceWheel
            label={label}
            names={book.names}
            describe={book.describe}
            value={pace.name}
            onChange={(name) => onChange({ ...pace, name })}
          />
          <TickRow
            label={`${label} of the goal`}
            checked={pace.goal}
            onChange={(goal) => onChange({ ...pace, goal })}
          />
          {(pace.offset !== undefined || pace.name !== '') && (
            <Stepper
              label={`${label}: quicker or slower`}
              value={pace.offset?.offsetS ?? 0}
              text={offsetText(pace.offset)}
              steps={{ down: 'quicker', up: 'slower' }}
              step={0.5}
              min={-20}
              max={60}
              onChange={(offsetS) => {
                const { offset: before, ...plain } = pace;
                onChange(offsetS === 0 ? plain : { ...plain, offset: { offsetS, perM: before?.perM ?? 400 } });
              }}
            />
          )}
        </View>
      );
    case 'share':
      return (
        <View style={{ gap: SPACE.s, flex: 1, minWidth: 140 }}>
          <Stepper
            label={`${label}: share`}
            value={pace.percent}
            text={`${pace.percent} %`}
            step={1}
            min={20}
            max={200}
            onChange={(percent) => onChange({ ...pace, percent })}
          />
          <PaceWheel
            label={`${label}, a share of`}
            names={book.names}
            describe={book.describe}
            value={pace.name}
            onChange={(name) => onChange({ ...pace, name })}
          />
        </View>
      );
    case 'absolute':
      return <TimePer pace={pace} onChange={onChange} />;
    case 'effort':
      return (
        <View style={{ flexDirection: 'row', gap: SPACE.m, flexWrap: 'wrap' }}>
          <Stepper
            label="Effort from"
            value={pace.min}
            text={String(pace.min)}
            step={0.5}
            min={1}
            max={10}
            onChange={(min) => onChange({ ...pace, min, max: Math.max(min, pace.max) })}
          />
          <Stepper
            label="to"
            value={pace.max}
            text={String(pace.max)}
            step={0.5}
            min={1}
            max={10}
            onChange={(max) => onChange({ ...pace, max, min: Math.min(max, pace.min) })}
          />
        </View>
      );
  }
}

type Props = { pace: RepPace | undefined; book: PaceBookView; onChange: (pace: RepPace | undefined) => void };

/** The pace of an item's reps: one, or moving from the first rep to the last. */
export function PacePanel({ pace, book, onChange }: Props) {
  const kind: Kind = pace?.from.kind ?? 'none';
  const isNamed = pace !== undefined && (kind === 'named' || kind === 'share');
  return (
    <View style={{ gap: SPACE.s }}>
      <Choice
        label="How the pace is given"
        showLabel
        options={KINDS}
        value={kind}
        onChange={(next) => onChange(next === 'none' ? undefined : { from: startOf(next, pace?.from) })}
      />
      {pace && (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m }}>
          <OnePace
            label={pace.to ? 'Pace of the first rep' : 'Pace'}
            pace={pace.from}
            book={book}
            onChange={(from) => onChange({ ...pace, from })}
          />
          {pace.to && (
            <OnePace
              label="Pace of the last rep"
              pace={pace.to}
              book={book}
              onChange={(to) => onChange({ ...pace, to })}
            />
          )}
        </View>
      )}
      {isNamed && (
        <TickRow
          label="The pace moves from the first rep to the last"
          checked={pace.to !== undefined}
          onChange={(moves) =>
            onChange(
              moves ? { ...pace, to: { kind: 'named', name: nameOf(pace.from), goal: true } } : { from: pace.from },
            )
          }
        />
      )}
    </View>
  );
}
