import { router } from 'expo-router';
import { useState, type ComponentType } from 'react';
import { View } from 'react-native';
import { INTENT_FACTS } from '@core/session/intent';
import { mainPart } from '../data/sessionView';
import { WithSession } from '../parts/WithSession';
import { Cautions } from '../ui/Cautions';
import type { SquadView } from '../data/useSquad';
import type { ScheduledSession } from '@core/api/answers';
import { Choice } from '../ui/Choice';
import { dayName } from '../ui/days';
import { Empty } from '../ui/Empty';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { SPACE } from '../ui/theme';
import { useWide } from '../ui/useWide';
import { Text } from '../ui/Text';
import { Effort } from './effort/Effort';
import { CarePart } from './groups/CarePart';
import { DayGroups } from './groups/DayGroups';
import { HeatPart } from './groups/HeatPart';
import { LastTime } from './LastTime';
import { TakingPart } from './groups/TakingPart';
import { WhenAndWhere } from './groups/WhenAndWhere';
import { Paper } from './paper/Paper';
import { fitsText } from './planText';
import { OwnTargets } from './targets/OwnTargets';
import { OnTrack } from './track/OnTrack';
import { usePlanning, type Planning } from '../data/usePlanning';

const SIDES = [
  { value: 'groups', text: 'Groups' },
  { value: 'targets', text: 'Targets' },
  { value: 'effort', text: 'Effort' },
  { value: 'track', text: 'Track' },
  { value: 'paper', text: 'Paper' },
] as const;
type Side = (typeof SIDES)[number]['value'];

/** Who runs, when and where, in which groups, and what to watch out for. */
function Groups({ planning }: { planning: Planning }) {
  const wide = useWide();
  const head = (
    <View style={{ gap: SPACE.m }}>
      <WhenAndWhere planning={planning} />
      <LastTime sessionId={planning.session.id} runningIds={new Set(planning.running.map(({ id }) => id))} />
      <TakingPart planning={planning} />
      {planning.outlooks.size > 0 && (
        <Text as="small">
          {`${INTENT_FACTS[planning.intent].name}: ${fitsText([...planning.outlooks.values()].map(({ fit }) => fit))}.`}
        </Text>
      )}
    </View>
  );
  const cautions = (
    <View style={{ gap: SPACE.m }}>
      <CarePart planning={planning} />
      <Cautions list={planning.cautions} />
      <HeatPart planning={planning} />
    </View>
  );
  return (
    <View style={{ gap: SPACE.l }}>
      {wide ? (
        <View style={{ flexDirection: 'row', gap: SPACE.xl }}>
          <View style={{ flex: 1, minWidth: 0 }}>{head}</View>
          <View style={{ flex: 1, minWidth: 0 }}>{cautions}</View>
        </View>
      ) : (
        <>
          <CarePart planning={planning} />
          {head}
          <Cautions list={planning.cautions} />
          <HeatPart planning={planning} />
        </>
      )}
      {planning.running.length > 0 && <DayGroups planning={planning} />}
    </View>
  );
}

type PanelProps = { planning: Planning };
const PANELS: Record<Side, ComponentType<PanelProps>> = {
  groups: Groups,
  targets: OwnTargets,
  effort: Effort,
  track: OnTrack,
  paper: Paper,
};

type PlanProps = { session: ScheduledSession; squad: SquadView };

function Plan({ session, squad }: PlanProps) {
  const planning = usePlanning(session, squad);
  const [side, setSide] = useState<Side>('groups');
  const back = () => router.replace(`/sessions/${session.id}`);
  if (!planning)
    return (
      <Page title={session.title} onBack={back} backLabel="Back to the session">
        <Empty title="Not readable yet" action={{ label: 'Go to the session', onPress: back }}>
          Everyone’s own plan comes from the session’s text, and that cannot be read yet. What was decided for the day
          is kept.
        </Empty>
      </Page>
    );
  const Panel = PANELS[side];
  return (
    <Page
      title={session.title}
      subtitle={`${dayName(session.date)} · ${mainPart(planning.tree)}`}
      onBack={back}
      backLabel="Back to the session"
      footer={
        <PrimaryButton
          main
          icon="track"
          disabled={planning.plans.length === 0}
          onPress={() => router.push(`/track/ready/${session.id}`)}
        >
          To the track
        </PrimaryButton>
      }
    >
      <Choice label="Side of the plan" isOneLine options={SIDES} value={side} onChange={setSide} />
      <Panel planning={planning} />
    </Page>
  );
}

/** A session made each athlete's own: groups, targets, whether it will work, who is where when, and paper. */
export function PlanPage({ id }: { id: string }) {
  return (
    <WithSession id={id} title="Plan" backTo="all sessions" back={() => router.replace('/sessions')}>
      {(session, squad) => <Plan key={id} session={session} squad={squad} />}
    </WithSession>
  );
}
