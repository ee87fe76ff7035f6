import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { USUAL_HEAT_LIMITS } from '@core/squad/heat';
import { moveAthlete, type DayGroup, type DayPlan } from '@core/planning/dayPlan';
import type { SquadMember } from '@core/squad/athlete';
import type { Conditions, Presence } from '@core/run/events';
import type { PlannedGroup } from '@core/run/plan';
import type { Visitor } from '@core/run/visitor';
import { mainPart } from '../../data/sessionView';
import { WithSession } from '../../parts/WithSession';
import type { SquadView } from '../../data/useSquad';
import { STATUS_WORDS } from '../../data/athleteWords';
import type { ScheduledSession } from '@core/api/answers';
import { useRunsQuery, useWeatherQuery } from '../../store/api';
import { dayName } from '../../ui/days';
import { Empty } from '../../ui/Empty';
import { Page } from '../../ui/Page';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';
import { TickRow } from '../../ui/TickRow';
import { Trouble } from '../../ui/Trouble';
import { Words } from '../../ui/Words';
import { takeToTrack } from '../../log/recorder';
import { AddVisitor } from '../sheets/AddVisitor';
import { ConditionsFields } from '../sheets/ConditionsFields';
import { nowMs } from '../../log/trackClock';
import { useTodaysPlan } from '../useTodaysPlan';
import { planForToday, presenceOf, settledEvents, type Presences } from './rollCall';
import { keepPresences, keptPresences } from './rollMemory';
import { RollRow } from './RollRow';
import { SoundCheck } from './SoundCheck';

const NOTHING: DayPlan = {};

/** A heading of the page, and what is under it. */
function Part({ title, aside, children }: { title: string; aside?: React.ReactNode; children: React.ReactNode }) {
  return (
    <View style={{ gap: SPACE.s }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' }}>
        <Words as="heading" level={2}>
          {title}
        </Words>
        {aside}
      </View>
      {children}
    </View>
  );
}

/** Which groups this phone times; the others are left to somebody else. */
function WhoTimes({
  groups,
  timed,
  toggle,
}: {
  groups: readonly PlannedGroup[];
  timed: (groupId: string) => boolean;
  toggle: (groupId: string) => void;
}) {
  return (
    <Part title="This phone times">
      <View
        role="group"
        aria-label="This phone times"
        style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.l }}
      >
        {groups.map(({ id, name }) => (
          <TickRow key={id} label={name} checked={timed(id)} onChange={() => toggle(id)} />
        ))}
      </View>
      <Words as="small" quiet>
        An assistant joins from the board: More, then A second phone.
      </Words>
    </Part>
  );
}

function Ready({ session, squad }: { session: ScheduledSession; squad: SquadView }) {
  const { athletes } = squad;
  const { plan: decided = NOTHING, date, startTime } = session;
  const [said, setSaid] = useState<Presences>(() => keptPresences(session.id));
  const say = (athleteId: string, presence: Presence) => {
    const next = { ...said, [athleteId]: presence };
    setSaid(next);
    keepPresences(session.id, next);
  };
  const [moved, setMoved] = useState<DayGroup[]>();
  const [isMoving, setMoving] = useState(false);
  const [visitors, setVisitors] = useState<Visitor[]>([]);
  const [conditions, setConditions] = useState<Conditions>({});
  const [leftOut, setLeftOut] = useState<ReadonlySet<string>>(new Set());
  const [trouble, setTrouble] = useState<string>();
  const [isAgain, setAgain] = useState(false);
  const { data: runs } = useRunsQuery();
  const before = runs?.find(({ sessionId, summary }) => sessionId === session.id && summary?.startedAtMs !== undefined);
  const { data: weather } = useWeatherQuery({ date, time: startTime ?? '17:00' });
  const today = useMemo(() => planForToday(decided, athletes, said, moved), [decided, athletes, said, moved]);
  const { tree, groups, plan } = useTodaysPlan(session, squad, today);

  const presences = new Map(athletes.map((athlete) => [athlete.id, presenceOf(decided, said, athlete)]));
  const presenceBy = (id: string): Presence => presences.get(id) ?? 'absent';
  const going = [...presences.values()].filter((presence) => presence !== 'absent').length + visitors.length;
  const out: Conditions = {
    ...(weather
      ? { temperatureC: Math.round(weather.temperatureC), humidityPct: Math.round(weather.humidityPct) }
      : {}),
    ...conditions,
  };
  const timedIds = plan.groups.map(({ id }) => id).filter((id) => !leftOut.has(id));
  const toggleTimed = (groupId: string) =>
    setLeftOut((before) =>
      before.has(groupId) ? new Set([...before].filter((id) => id !== groupId)) : new Set([...before, groupId]),
    );

  const go = async () => {
    if (plan.groups.every(({ reps }) => reps.length === 0))
      return setTrouble('There is no rep to time in this session. Add one to its main part first.');
    if (timedIds.length === 0) return setTrouble('This phone times nobody. Tick at least one group for it.');
    try {
      const some = timedIds.length < plan.groups.length ? timedIds : undefined;
      const settled = settledEvents({ plan, presences, visitors, conditions: out, timedIds: some });
      const atMs = nowMs();
      await takeToTrack(
        plan,
        settled.map((happening) => ({ happening, atMs })),
      );
      router.replace(`/track/run/${plan.id}`);
    } catch {
      setTrouble('This phone would not keep the plan: its storage is full or switched off. Nothing has been started.');
    }
  };

  const back = () => router.replace('/track');
  if (!tree)
    return (
      <Page title={session.title} onBack={back} backLabel="Back to the track">
        <Empty
          title="Not readable yet"
          action={{ label: 'Go to the session', onPress: () => router.replace(`/sessions/${session.id}`) }}
        >
          This session is still a draft. Once it can be read it can be taken to the track.
        </Empty>
      </Page>
    );
  const groupOptions = groups.map(({ id, name }) => ({ value: id, text: name }));
  const row = (athlete: SquadMember, groupId: string | undefined) => (
    <RollRow
      key={athlete.id}
      name={athlete.name}
      about={athlete.status === 'training' ? undefined : STATUS_WORDS[athlete.status]}
      presence={presenceBy(athlete.id)}
      onPresence={(presence) => say(athlete.id, presence)}
      {...(isMoving && groupId !== undefined
        ? {
            groups: {
              value: groupId,
              options: groupOptions,
              onChange: (to: string) => setMoved(moveAthlete(groups, athlete.id, to)),
            },
          }
        : {})}
    />
  );
  const grouped = new Set(groups.flatMap(({ athleteIds }) => athleteIds));
  const others = athletes.filter(({ id }) => !grouped.has(id));
  const byId = new Map(athletes.map((athlete) => [athlete.id, athlete]));
  const rows = (children: React.ReactNode) => (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>{children}</View>
  );
  return (
    <Page
      title={session.title}
      about={`${dayName(session.date)} · ${mainPart(tree)}`}
      onBack={back}
      backLabel="Back to the track"
      footer={
        before && !isAgain ? (
          <>
            <Words as="small">
              {before.summary?.endedAtMs === undefined
                ? 'This session is under way already. Started again, it is timed a second time from its first rep.'
                : 'This session was run already. Its results stay as they are.'}
            </Words>
            <PrimaryButton
              main
              icon="track"
              onPress={() =>
                router.replace(
                  before.summary?.endedAtMs === undefined ? `/track/run/${before.id}` : `/results/${before.id}`,
                )
              }
            >
              {before.summary?.endedAtMs === undefined ? 'Go on where you left off' : 'See the results'}
            </PrimaryButton>
            <PrimaryButton onPress={() => setAgain(true)}>Run it once more</PrimaryButton>
          </>
        ) : (
          <>
            {going === 0 && <Words as="small">Nobody is ticked. Tick at least one athlete to go on.</Words>}
            {trouble !== undefined && <Trouble>{trouble}</Trouble>}
            <PrimaryButton main icon="track" disabled={going === 0} onPress={() => void go()}>
              {`Go with ${going} athlete${going === 1 ? '' : 's'}`}
            </PrimaryButton>
          </>
        )
      }
    >
      <View role="group" aria-label="Who is here" style={{ gap: SPACE.m }}>
        <Part
          title="Who is here?"
          aside={
            groups.length > 1 && (
              <SmallButton expanded={isMoving} onPress={() => setMoving(!isMoving)}>
                {isMoving ? 'Done' : 'Change groups'}
              </SmallButton>
            )
          }
        >
          {groups.map(({ id, name, athleteIds }) => (
            <View key={id} role="group" aria-label={name} style={{ gap: SPACE.xs }}>
              {groups.length > 1 && (
                <Words as="label" quiet level={3}>
                  {name}
                </Words>
              )}
              {rows(athleteIds.map((athleteId) => byId.get(athleteId)).map((athlete) => athlete && row(athlete, id)))}
              {visitors
                .filter(({ groupId }) => groupId === id)
                .map((visitor) => (
                  <RollRow
                    key={visitor.athleteId}
                    name={visitor.name}
                    about="visitor"
                    presence="present"
                    onPresence={() =>
                      setVisitors((before) => before.filter(({ athleteId }) => athleteId !== visitor.athleteId))
                    }
                  />
                ))}
            </View>
          ))}
          {others.length > 0 && (
            <View role="group" aria-label="Not expected" style={{ gap: SPACE.xs }}>
              <Words as="label" quiet level={3}>
                Not expected
              </Words>
              {rows(others.map((athlete) => row(athlete, undefined)))}
            </View>
          )}
        </Part>
      </View>
      {athletes.length === 0 && (
        <Empty title="Nobody in the squad" action={{ label: 'Go to the squad', onPress: () => router.push('/squad') }}>
          Add athletes first: each needs a name and one race or trial.
        </Empty>
      )}
      {plan.groups.length > 0 && (
        <Part title="Somebody more">
          <AddVisitor
            groups={plan.groups}
            taken={[...athletes, ...visitors].map(({ tileName }) => tileName)}
            add={(visitor) => setVisitors((before) => [...before, visitor])}
          />
        </Part>
      )}
      {plan.groups.length > 1 && (
        <WhoTimes groups={plan.groups} timed={(id) => !leftOut.has(id)} toggle={toggleTimed} />
      )}
      <Part title="Conditions">
        <ConditionsFields
          conditions={out}
          heat={squad.settings.heat ?? USUAL_HEAT_LIMITS}
          onChange={(part) => setConditions((before) => ({ ...before, ...part }))}
        />
      </Part>
      <Part title="This phone">
        <SoundCheck />
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          <SmallButton onPress={() => router.replace(`/track/rehearse/${session.id}`)}>Rehearse it first</SmallButton>
          <SmallButton onPress={() => router.replace(`/track/enter/${session.id}`)}>Enter times afterwards</SmallButton>
        </View>
      </Part>
      <Words as="small" quiet>
        Anyone with pain, dizziness or illness stops. Local rules, the venue and medical advice come first.
      </Words>
    </Page>
  );
}

/** Before the first start: who is here, in which groups, what it is like out there. */
export function RollCall({ sessionId }: { sessionId: string }) {
  return (
    <WithSession id={sessionId} title="Track" backTo="the track" back={() => router.replace('/track')}>
      {(session, squad) => <Ready session={session} squad={squad} />}
    </WithSession>
  );
}
