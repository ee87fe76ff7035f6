import { router } from 'expo-router';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { createContext, useCallback, useContext, useMemo, useState } from 'react';
import { View } from 'react-native';
import { takesPart, type DayPlan } from '@core/planning/dayPlan';
import type { Plan } from '@core/run/plan';
import type { Random, SimulatedAthlete } from '@core/rehearsal/simulate';
import { WithSession } from '../../parts/WithSession';
import { pacesOf, type SquadView } from '../../data/useSquad';
import type { ScheduledSession } from '@core/api/answers';
import { useAsSource } from '../../store/source';
import { Choice } from '../../ui/Choice';
import { Empty } from '../../ui/Empty';
import { Page } from '../../ui/Page';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { Select } from '../../ui/Select';
import { SPACE } from '../../ui/theme';
import { useLow } from '../../ui/useLow';
import { Board } from '../board/Board';
import { useTodaysPlan } from '../useTodaysPlan';
import { LapStrip } from './LapStrip';
import { Score } from './Score';
import { useNow } from './useNow';
import { CHIPS, SPEEDS, useRehearsal, type Chips, type Rehearsal } from './useRehearsal';

const NOTHING: DayPlan = {};
const USUAL_LAP_M = 400;

const CHIP_WORDS: Record<Chips, string> = {
  none: 'I take all times',
  finishes: 'chips take the finishes',
  all: 'chips take every mark',
};

function random(): Random {
  const generator = xoroshiro128plus(Date.now());
  return () => uniformFloat64(generator);
}

/** Everyone with their own curve, and habits by chance: most go off a little too fast. */
function habitsOf(session: ScheduledSession, squad: SquadView, chance: Random): Record<string, SimulatedAthlete> {
  return Object.fromEntries(
    squad.athletes.flatMap((athlete) => {
      const { curve } = pacesOf(athlete, squad, session.date);
      const [rush, unevenness] = [0.03 * chance(), 0.005 + 0.012 * chance()];
      return curve ? [[athlete.id, { curve, rush, unevenness }]] : [];
    }),
  );
}

/** For the controls on the board: the board itself is not drawn with every event. */
const Rehearsing = createContext<Rehearsal | undefined>(undefined);

function Controls() {
  const rehearsal = useContext(Rehearsing);
  return rehearsal && <ControlsOf {...rehearsal} />;
}

function ControlsOf({ run, truths, speed, setSpeed, chips, setChips }: Rehearsal) {
  const now = useNow(run.now, 20);
  const low = useLow();
  const names = Object.fromEntries(
    Object.values(run.state.athletes).map((athlete) => [athlete.athleteId, athlete.tileName]),
  );
  return (
    <View
      role="group"
      aria-label="Rehearsal"
      style={{ paddingHorizontal: SPACE.m, flexDirection: low ? 'row' : 'column', columnGap: SPACE.s }}
    >
      <View style={low ? { flex: 1, minWidth: 0 } : undefined}>
        <LapStrip truths={truths} names={names} lapM={run.plan.lapM ?? USUAL_LAP_M} now={now} />
      </View>
      <View style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'center' }}>
        <Choice
          label="Speed"
          isOneLine
          options={SPEEDS.map((value) => ({ value: String(value), text: `${value}×` }))}
          value={String(speed)}
          onChange={(value) => setSpeed(SPEEDS.find((speed) => String(speed) === value) ?? 1)}
        />
        <View style={low ? { width: 150 } : { flex: 1 }}>
          <Select
            label="Chips"
            quiet
            options={CHIPS.map((value) => ({ value, text: CHIP_WORDS[value] }))}
            value={chips}
            onChange={setChips}
          />
        </View>
      </View>
    </View>
  );
}

const CONTROLS = <Controls />;

function Rehearse({ plan, habits, chance }: { plan: Plan; habits: Record<string, SimulatedAthlete>; chance: Random }) {
  const rehearsal = useRehearsal(plan, habits, chance);
  const runs = useAsSource(rehearsal.run);
  const [isScored, setScored] = useState(false);
  const leave = useCallback(() => router.replace(`/track/ready/${plan.sessionId}`), [plan.sessionId]);
  const score = useCallback(() => setScored(true), []);
  if (isScored)
    return (
      <Page
        title="How you timed"
        subtitle={plan.title}
        onBack={() => setScored(false)}
        backLabel="Back to the board"
        footer={
          <PrimaryButton main onPress={leave}>
            Done
          </PrimaryButton>
        }
      >
        <Score rehearsal={rehearsal} />
      </Page>
    );
  return (
    <Rehearsing.Provider value={rehearsal}>
      <Board
        runs={runs}
        silent={rehearsal.speed > 1}
        onResults={score}
        resultsText="See how you timed"
        onLeave={leave}
        top={CONTROLS}
      />
    </Rehearsing.Provider>
  );
}

function Prepared({ session, squad }: { session: ScheduledSession; squad: SquadView }) {
  const { plan: decided = NOTHING } = session;
  const { tree, plan } = useTodaysPlan(session, squad, decided);
  // Laid out once: what is changed elsewhere meanwhile is for the next time.
  const [prepared] = useState(() => {
    const chance = random();
    return { plan, habits: habitsOf(session, squad, chance), chance };
  });
  const isAnyone = useMemo(
    () => squad.athletes.some((athlete) => takesPart(decided, athlete)),
    [squad.athletes, decided],
  );
  if (!tree || !isAnyone || prepared.plan.groups.every(({ reps }) => reps.length === 0))
    return (
      <Page title="Rehearsal" onBack={() => router.replace('/track')} backLabel="Back to the track">
        <Empty
          title="Nothing to rehearse"
          action={{ label: 'Go to the track', onPress: () => router.replace('/track') }}
        >
          A session that can be read, with reps to time and somebody to run them, can be rehearsed.
        </Empty>
      </Page>
    );
  return <Rehearse {...prepared} />;
}

/** Practising the board with a made-up squad: nothing of it is kept. */
export function RehearsalPage({ sessionId }: { sessionId: string }) {
  return (
    <WithSession id={sessionId} title="Rehearsal" backTo="the track" back={() => router.replace('/track')}>
      {(session, squad) => <Prepared session={session} squad={squad} />}
    </WithSession>
  );
}
