import { router } from 'expo-router';
import { View } from 'react-native';
import { USUAL_HEAT_LIMITS } from '@core/squad/heat';
import { mainPart } from '../../data/sessionView';
import { WithSession } from '../../parts/WithSession';
import type { SquadView } from '../../data/useSquad';
import type { ScheduledSession } from '@core/api/answers';
import { dayName } from '../../ui/days';
import { Empty } from '../../ui/Empty';
import { Page } from '../../ui/Page';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';
import { TickRow } from '../../ui/TickRow';
import { AddVisitor } from '../sheets/AddVisitor';
import { ConditionsFields } from '../sheets/ConditionsFields';
import { SoundCheck } from './SoundCheck';
import { Part } from './Part';
import { RollFooter } from './RollFooter';
import { useRollCall } from './useRollCall';
import { WhoIsHere } from './WhoIsHere';
import { WhoTimes } from './WhoTimes';

function Ready({ session, squad }: { session: ScheduledSession; squad: SquadView }) {
  const { athletes } = squad;
  const roll = useRollCall(session, squad);
  const { tree, plan, conditions, addConditions, visitors, addVisitor, isTimed, toggleTimed } = roll;
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
  return (
    <Page
      title={session.title}
      subtitle={`${dayName(session.date)} · ${mainPart(tree)}`}
      onBack={back}
      backLabel="Back to the track"
      footer={<RollFooter roll={roll} />}
    >
      <WhoIsHere roll={roll} athletes={athletes} />
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
            add={addVisitor}
          />
        </Part>
      )}
      {plan.groups.length > 1 && <WhoTimes groups={plan.groups} timed={isTimed} toggle={toggleTimed} />}
      {roll.hasMarks && (
        <Part title="Times">
          <TickRow
            label="Finishes only: nobody takes the marks on the way"
            checked={roll.finishesOnly}
            onChange={roll.setFinishesOnly}
          />
        </Part>
      )}
      <Part title="Conditions">
        <ConditionsFields
          conditions={conditions}
          heat={squad.settings.heat ?? USUAL_HEAT_LIMITS}
          onChange={addConditions}
        />
      </Part>
      <Part title="This phone">
        <SoundCheck />
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          <SmallButton onPress={() => router.replace(`/track/rehearse/${session.id}`)}>Rehearse it first</SmallButton>
          <SmallButton onPress={() => router.replace(`/track/enter/${session.id}`)}>Enter times afterwards</SmallButton>
        </View>
      </Part>
      <Text as="small" quiet>
        Anyone with pain, dizziness or illness stops. Local rules, the venue and medical advice come first.
      </Text>
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
