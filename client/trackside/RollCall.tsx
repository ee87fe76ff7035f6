import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import { takesPart } from '@core/planning/dayPlan';
import { boardsOf, planOfBoard } from '@core/planning/runPlans';
import type { SquadMember } from '@core/squad/athlete';
import { useOwnPlans } from '../plan/usePlanning';
import type { SquadView } from '../squad/useSquad';
import { STATUS_WORDS } from '../squad/words';
import type { Session } from '../store/api';
import { mainPart } from '../session/sessionView';
import { WithSession } from '../session/WithSession';
import { dayName } from '../ui/days';
import { Empty } from '../ui/Empty';
import { Page } from '../ui/Page';
import { Press } from '../ui/Press';
import { Select } from '../ui/Select';
import { PrimaryButton } from '../ui/PrimaryButton';
import { RADIUS, SPACE, usePalette } from '../ui/theme';
import { Tick } from '../ui/Tick';
import { Trouble } from '../ui/Trouble';
import { Words } from '../ui/Words';
import { takeToTrack } from './recorder';

function Here({ athlete, here, toggle }: { athlete: SquadMember; here: boolean; toggle: () => void }) {
  const palette = usePalette();
  return (
    <Press
      role="checkbox"
      aria-checked={here}
      aria-label={athlete.name}
      onPress={toggle}
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: SPACE.s,
        flexBasis: 160,
        flexGrow: 1,
        minHeight: 52,
        paddingHorizontal: SPACE.s,
        borderRadius: RADIUS,
        borderWidth: 1.5,
        borderColor: here ? palette.ink : palette.line,
        backgroundColor: here ? palette.raised : 'transparent',
      }}
    >
      <Tick on={here} />
      <View style={{ flexShrink: 1 }}>
        <Words as="strong" quiet={!here} numberOfLines={1}>
          {athlete.name}
        </Words>
        {athlete.status !== 'training' && (
          <Words as="label" quiet>
            {STATUS_WORDS[athlete.status]}
          </Words>
        )}
      </View>
    </Press>
  );
}

function Ready({ session, squad }: { session: Session; squad: SquadView }) {
  const { athletes } = squad;
  // Those who are not planned to run are not expected; a tick brings them in.
  const [away, setAway] = useState<ReadonlySet<string>>(
    () => new Set(athletes.filter((athlete) => !takesPart(session.plan ?? {}, athlete)).map(({ id }) => id)),
  );
  const [boardKey, setBoardKey] = useState<string>();
  const [trouble, setTrouble] = useState<string>();
  const today = useMemo(
    () => ({ ...session.plan, taking: Object.fromEntries(athletes.map(({ id }) => [id, !away.has(id)])) }),
    [session.plan, athletes, away],
  );
  const { tree, groups, plans, venue } = useOwnPlans(session, squad, today);
  const here = athletes.filter((athlete) => !away.has(athlete.id));
  const toggle = (id: string) =>
    setAway((before) => new Set(before.has(id) ? [...before].filter((other) => other !== id) : [...before, id]));

  // Everyone who is here, as planned: those with the same reps are timed on one board.
  const boards = boardsOf(plans).map((one) => ({
    ...one,
    says: `${groups
      .filter(({ id }) => one.groupIds.includes(id))
      .map(({ name }) => name)
      .join(', ')}: ${one.plans.length} with ${one.reps} reps`,
  }));
  const board = boards.find(({ key }) => key === boardKey) ?? boards[0];

  const go = async () => {
    if (!board) return;
    const { id: sessionId, title, date, shorthand } = session;
    const about = { id: ulid(), sessionId, title, date, shorthand };
    const plan = planOfBoard(about, board, venue);
    if (plan.reps.length === 0)
      return setTrouble('There is no rep to time in this session. Add one to its main part first.');
    try {
      await takeToTrack(plan);
      router.replace(`/track/run/${plan.id}`);
    } catch {
      setTrouble('This phone would not keep the plan: its storage is full or switched off. Nothing has been started.');
    }
  };

  const back = () => router.replace('/track');
  const going = board?.plans.length ?? 0;
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
  return (
    <Page
      title={session.title}
      about={`${dayName(session.date)} · ${mainPart(tree)}`}
      onBack={back}
      backLabel="Back to the track"
      footer={
        <>
          {here.length === 0 && <Words as="small">Nobody is ticked. Tick at least one athlete to go on.</Words>}
          {boards.length > 1 && (
            <Select
              label="Not everyone runs the same reps: which do you time?"
              options={boards.map(({ key, says }) => ({ value: key, text: says }))}
              value={board?.key ?? ''}
              onChange={setBoardKey}
            />
          )}
          {trouble !== undefined && <Trouble>{trouble}</Trouble>}
          <PrimaryButton main icon="track" disabled={here.length === 0} onPress={() => void go()}>
            {`Go with ${going} athlete${going === 1 ? '' : 's'}`}
          </PrimaryButton>
        </>
      }
    >
      <Words as="heading" level={2}>
        Who is here?
      </Words>
      <View
        role="group"
        aria-label="Who is here"
        style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s, maxWidth: 560 }}
      >
        {athletes.map((athlete) => (
          <Here key={athlete.id} athlete={athlete} here={!away.has(athlete.id)} toggle={() => toggle(athlete.id)} />
        ))}
      </View>
      {athletes.length === 0 && (
        <Empty title="Nobody in the squad" action={{ label: 'Go to the squad', onPress: () => router.push('/squad') }}>
          Add athletes first: each needs a name and one race or trial.
        </Empty>
      )}
      <Words as="small" quiet>
        Anyone with pain, dizziness or illness stops. Local rules, the venue and medical advice come first.
      </Words>
    </Page>
  );
}

/** Before the first start: who is here. */
export function RollCall({ sessionId }: { sessionId: string }) {
  return (
    <WithSession id={sessionId} title="Track" backTo="the track" back={() => router.replace('/track')}>
      {(session, squad) => <Ready session={session} squad={squad} />}
    </WithSession>
  );
}
