import { counted } from '@core/units/counted';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import { USUAL_WINDOW_S, withStartGaps, type DayGroup } from '@core/planning/dayPlan';
import { legsOfRun, trafficOf } from '@core/planning/groupTargets';
import { busySpans, clockAt, mainStartS } from '@core/track/busy';
import { EXACT_UP_TO, solveStartGaps } from '@core/track/startGaps';
import { clashesOf, type StartGaps } from '@core/track/traffic';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { Stepper } from '../../ui/Stepper';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';
import type { Planning } from '../../data/usePlanning';
import { BusyTimes } from './BusyTimes';
import { GapSlider } from './GapSlider';
import { clashText } from './trackText';
import { letterOf } from './trafficPlaces';
import { TrafficView } from './TrafficView';

const gapsOf = (groups: readonly DayGroup[]): StartGaps =>
  Object.fromEntries(groups.map(({ id, startGapS = 0 }) => [id, startGapS]));

const clashesText = (n: number) => (n === 0 ? 'Nobody comes in together' : counted(n, 'clash', 'clashes'));

/** More than this need not be read one by one. */
const MOST_SHOWN = 8;

/** Who is where when, and by how much to start the groups apart. */
export function Traffic({ planning, lineM }: { planning: Planning; lineM: number }) {
  const { runs, groups, venue, plan, decide, session } = planning;
  const windowS = plan.windowS ?? USUAL_WINDOW_S;
  // Where a start is being dragged to, until it is let go.
  const [moved, setMoved] = useState<StartGaps>();
  const kept = useMemo(() => gapsOf(groups), [groups]);
  const gaps = moved ?? kept;
  const traffic = useMemo(
    () => runs.filter(({ members }) => members.length > 0).map((run) => trafficOf(run, venue)),
    [runs, venue],
  );
  const startTime = session.startTime ?? '00:00';
  const leadS = Math.max(0, ...runs.map((run) => mainStartS(legsOfRun(run))));
  const busy = useMemo(
    () => (session.startTime === undefined ? [] : busySpans(plan.busy ?? [], startTime, leadS)),
    [plan.busy, session.startTime, startTime, leadS],
  );
  const clashes = clashesOf(traffic, gaps, windowS);
  const nameOf = (id: string) => groups.find((group) => group.id === id)?.name ?? '';
  const put = (next: StartGaps, noticeText?: string) => {
    decide({ groups: withStartGaps(groups, next, ulid()) }, noticeText);
  };
  const solve = () => {
    const { gaps: best, cost, isExact } = solveStartGaps(traffic, { windowS, busy });
    setMoved(undefined);
    put(
      best,
      `${cost.clashes === 0 ? 'No clashes left' : `${clashesText(cost.clashes)} left`}: ${isExact ? 'there is no better way in steps of 5 s up to 2 minutes' : `found by trying, as there are more than ${EXACT_UP_TO} groups`}.`,
    );
  };
  if (traffic.length === 0) return null;
  return (
    <View role="region" aria-label="Traffic" style={{ gap: SPACE.m }}>
      <View>
        <Text as="heading" level={2}>
          Who is where when
        </Text>
        {session.startTime !== undefined && (
          <Text as="small" quiet>
            {`The main part should begin about ${clockAt(session.startTime, leadS)}.`}
          </Text>
        )}
      </View>
      <TrafficView
        traffic={traffic}
        names={traffic.map(({ id }) => nameOf(id))}
        gaps={gaps}
        clashes={clashes}
        busy={busy}
        venue={venue}
        lineM={lineM}
      />
      <View>
        {traffic.map(({ id }, i) => (
          <GapSlider
            key={id}
            letter={letterOf(i)}
            name={nameOf(id)}
            gapS={gaps[id] ?? 0}
            onMove={(gapS) => setMoved({ ...gaps, [id]: gapS })}
            onDone={() => {
              if (!moved) return;
              setMoved(undefined);
              if ((moved[id] ?? 0) !== (kept[id] ?? 0)) put(moved);
            }}
          />
        ))}
      </View>
      <View style={{ gap: SPACE.xs }}>
        <Text as="strong" live="polite">
          {clashesText(clashes.length)}
        </Text>
        {clashes.slice(0, MOST_SHOWN).map((clash, i) => (
          <Text as="small" key={i}>
            {clashText(clash, nameOf)}
          </Text>
        ))}
        {clashes.length > MOST_SHOWN && <Text as="small" quiet>{`and ${clashes.length - MOST_SHOWN} more.`}</Text>}
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m, alignItems: 'flex-end' }}>
        {traffic.length > 1 && <PrimaryButton onPress={solve}>Find the best starts</PrimaryButton>}
        <Stepper
          label="One person can time"
          value={windowS}
          text={`${windowS.toFixed(1)} s apart`}
          step={0.5}
          min={0.5}
          max={15}
          onChange={(to) => decide({ windowS: to })}
        />
      </View>
      <BusyTimes planning={planning} />
    </View>
  );
}
