import { View } from 'react-native';
import { SCHOOL_NOTES, SCHOOLS } from '@core/season/templates/schools';
import type { Rhythm, RhythmDay } from '@core/season/season';
import type { LaidSeason } from '../data/useSeasons';
import { capitalised } from '@core/units/capitalised';
import { Select } from '../ui/Select';
import { Stepper } from '../ui/Stepper';
import { SPACE } from '../ui/theme';
import { TickRow } from '../ui/TickRow';
import { Text } from '../ui/Text';
import { KIND_CHOICES } from './seasonText';
import type { SeasonEdit } from '../data/useSeasonEdit';
import { TermHeading } from '../parts/TermHeading';

const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;
const KINDS: readonly RhythmDay[] = ['hard', 'long', 'strides', 'easy', 'off', 'free'];

/** How long each phase is, what a usual week is like, how the long run grows, and what school it follows. */
export function SeasonPhases({ laid, edit }: { laid: LaidSeason; edit: SeasonEdit }) {
  const { season, weeks } = laid;
  const { longRun, schools } = season;
  const laidWeeks = (phase: string) => weeks.filter((week) => week.phase === phase).length;
  const setLong = (part: Partial<NonNullable<typeof longRun>>) =>
    longRun && void edit.apply({ kind: 'set', set: { longRun: { ...longRun, ...part } } }, 'The long run is changed.');
  return (
    <View role="region" aria-label="Phases" style={{ gap: SPACE.m }}>
      <TermHeading terms={['phase', 'taper']}>Phases</TermHeading>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.l }}>
        {season.phases.map(({ phase, isKept }, place) => (
          <Stepper
            key={`${phase} ${place}`}
            label={`${capitalised(phase)}${isKept ? ', set by you' : ''}`}
            value={laidWeeks(phase)}
            text={`${laidWeeks(phase)} wk`}
            step={1}
            min={0}
            max={52}
            onChange={(weeks) => edit.change({ kind: 'phaseWeeks', place, weeks }, `The ${phase} phase is changed.`)}
          />
        ))}
      </View>
      {longRun && (
        <View style={{ gap: SPACE.s, marginTop: SPACE.m }}>
          <Text as="heading" level={2}>
            Long run
          </Text>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.l }}>
            <Stepper
              label="From"
              value={longRun.from}
              text={`${longRun.from} ${longRun.unit}`}
              step={longRun.unit === 'km' ? 1 : 5}
              min={1}
              max={200}
              onChange={(from) => setLong({ from })}
            />
            <Stepper
              label="More each week"
              value={longRun.step}
              text={`${longRun.step} ${longRun.unit}`}
              step={longRun.unit === 'km' ? 0.5 : 5}
              min={0}
              max={30}
              onChange={(step) => setLong({ step })}
            />
            <Stepper
              label="At most"
              value={longRun.most}
              text={`${longRun.most} ${longRun.unit}`}
              step={longRun.unit === 'km' ? 1 : 5}
              min={1}
              max={300}
              onChange={(most) => setLong({ most })}
            />
            <Stepper
              label="Easier every"
              value={longRun.easierEvery}
              text={longRun.easierEvery === 0 ? 'never' : `${longRun.easierEvery} wk`}
              step={1}
              min={0}
              max={8}
              onChange={(easierEvery) => setLong({ easierEvery })}
            />
          </View>
          <TickRow
            label="Held level for three weeks, then raised"
            checked={longRun.heldWeeks !== undefined}
            onChange={(isHeld) => {
              const { heldWeeks: _held, ...rest } = longRun;
              const next = isHeld ? { ...rest, heldWeeks: 3 } : rest;
              void edit.apply({ kind: 'set', set: { longRun: next } }, 'The long run is changed.');
            }}
          />
        </View>
      )}
      <View style={{ gap: SPACE.s }}>
        <Text as="heading" level={2}>
          Week
        </Text>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          {WEEKDAYS.map((weekday, i) => (
            <View key={weekday} style={{ minWidth: 150, flexGrow: 1 }}>
              <Select
                label={weekday}
                value={season.rhythm[i] ?? 'free'}
                options={KINDS.map((kind) => ({ value: kind, text: KIND_CHOICES[kind] }))}
                onChange={(kind) => {
                  const rhythm = season.rhythm.map((before, at) => (at === i ? kind : before)) as unknown as Rhythm;
                  edit.change({ kind: 'set', set: { rhythm } }, `${weekday} is changed, every week.`);
                }}
              />
            </View>
          ))}
        </View>
      </View>
      <Select
        label="Weeks begin on"
        value={season.weekStart ?? 'monday'}
        options={[
          { value: 'monday', text: 'Monday' },
          { value: 'sunday', text: 'Sunday' },
        ]}
        onChange={(weekStart) =>
          edit.change({ kind: 'set', set: { weekStart } }, `Weeks begin on ${capitalised(weekStart)}.`)
        }
      />
      <View style={{ gap: SPACE.xs }}>
        <Text as="heading" level={2}>
          School
        </Text>
        {SCHOOLS.map((school) => (
          <TickRow
            key={school}
            label={SCHOOL_NOTES[school]}
            checked={schools[school] === true}
            onChange={(isOn) => {
              const { [school]: _before, ...others } = schools;
              const next = isOn ? { ...others, [school]: true as const } : others;
              edit.change({ kind: 'set', set: { schools: next } }, 'The school is changed.');
            }}
          />
        ))}
      </View>
    </View>
  );
}
