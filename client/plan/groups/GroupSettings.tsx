import { useState } from 'react';
import { View } from 'react-native';
import { sameWhom, withoutChanges } from '@core/planning/changes';
import type { GroupPart } from '@core/planning/dayPlan';
import type { GroupRun } from '@core/planning/groupTargets';
import { parseSession } from '@core/session/parseSession';
import { useLibraryQuery } from '../../store/api';
import { Select } from '../../ui/Select';
import { SmallButton } from '../../ui/SmallButton';
import { Stepper } from '../../ui/Stepper';
import { TextField } from '../../ui/TextField';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';
import { ItemSettings } from '../ItemSettings';
import type { Planning } from '../../data/usePlanning';
import { AimFor } from './AimFor';

type Props = { planning: Planning; run: GroupRun; put: (part: GroupPart, noticeText?: string) => void };

const OWN = 'own';

/** Another session for the group: from the library, or written for it. */
function Version({ planning, run: { group }, put }: Props) {
  const { data: library } = useLibraryQuery();
  const [typed, setTyped] = useState(group.version ?? '');
  const [isWriting, setWriting] = useState(group.version !== undefined);
  const { paceNames } = planning.squad;
  const parsed = typed.trim() === '' ? undefined : parseSession(typed, { paceNames });
  const sessions = (library?.sessions ?? []).filter(({ archived }) => !archived);
  const knownSession = sessions.find(({ shorthand }) => shorthand === group.version);
  const keep = (version: string, libraryId?: string) => {
    setTyped(version);
    if (parseSession(version, { paceNames }).ok)
      put({ version, libraryId }, `${group.name} run a version of their own.`);
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <Select
        label="Version of the session"
        options={[
          { value: '', text: 'This session' },
          { value: OWN, text: 'Written for this group' },
          ...sessions.map(({ id, title }) => ({ value: id, text: title })),
        ]}
        value={group.version === undefined && !isWriting ? '' : (knownSession?.id ?? OWN)}
        onChange={(value) => {
          setWriting(value !== '');
          if (value === '') put({ version: undefined, libraryId: undefined }, `${group.name} run this session.`);
          else if (value === OWN) setTyped(group.version ?? planning.session.shorthand);
          else keep(sessions.find(({ id }) => id === value)?.shorthand ?? '', value);
        }}
      />
      {isWriting && (
        <TextField
          label="What they run"
          value={typed}
          lines={4}
          onChange={setTyped}
          onBlur={() => typed !== group.version && keep(typed)}
          error={
            parsed && !parsed.ok
              ? `${parsed.problems[0]?.message ?? ''} Until it can be read they run ${group.version === undefined ? 'this session' : 'the last one that could'}.`
              : undefined
          }
        />
      )}
    </View>
  );
}

/** What is different for one group. */
export function GroupSettings(props: Props) {
  const { planning, run, put } = props;
  const { group, members, leaderId } = run;
  const whom = { kind: 'group' as const, groupId: group.id };
  const [first] = members;
  const changes = planning.plan.changes ?? [];
  const hasChanges = changes.some((change) => sameWhom(change.whom, whom));
  return (
    <View style={{ gap: SPACE.m, paddingTop: SPACE.s }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m }}>
        <View style={{ flexGrow: 1, flexBasis: 160 }}>
          <Select
            label="Leader"
            options={members.map(({ runner }) => ({ value: runner.id, text: runner.name }))}
            value={leaderId ?? ''}
            onChange={(id) => put({ leaderId: id }, 'There is another leader.')}
          />
        </View>
        {planning.venue.lanes && (
          <Stepper
            label="Lane"
            value={group.lane ?? 1}
            text={String(group.lane ?? 1)}
            step={1}
            min={1}
            max={planning.venue.lanes.count}
            onChange={(lane) => put({ lane })}
          />
        )}
      </View>
      <Version {...props} />
      <AimFor planning={planning} whom={whom} />
      {first && (
        <ItemSettings
          key={group.version ?? ''}
          planning={planning}
          whom={whom}
          who={group.name}
          written={first.written}
          session={first.session}
          legs={first.legs}
        />
      )}
      {hasChanges && (
        <View style={{ alignItems: 'flex-start' }}>
          <SmallButton
            onPress={() =>
              planning.decide({ changes: withoutChanges(changes, whom) }, `${group.name} are as written again.`)
            }
          >
            Take everything back for this group
          </SmallButton>
        </View>
      )}
      <Text as="label" quiet>
        What is set for one athlete goes before what is set for their group.
      </Text>
    </View>
  );
}
