import { View } from 'react-native';
import { LOOP_DEVICE } from '@core/run/chips';
import type { LogEntry } from '@core/run/corrections';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE, usePalette } from '../../ui/theme';
import { Text } from '../../ui/Text';
import { format } from 'date-fns/format';
import { eventWords } from '../../log/undoing';
import type { Run } from '../../log/useRun';
import { Sheet } from './Sheet';

type Props = { run: Run; close: () => void; open: (athleteId: string) => void };

type LineProps = {
  run: Run;
  entry: LogEntry;
  /** It was not taken back, but found no place in the session. */
  isUnplaced: boolean;
  open: (athleteId: string) => void;
};

function Line({ run, entry, isUnplaced, open }: LineProps) {
  const palette = usePalette();
  const { event, atMs, counts } = entry;
  const { state, happen, device, may } = run;
  const words = eventWords(state, event);
  const undo = state.log.find(
    (entry) => entry.counts && entry.event.type === 'undone' && entry.event.eventId === event.id,
  );
  const whose = event.type === 'passed' || event.type === 'felt' ? event.athleteId : undefined;
  return (
    <View
      role="listitem"
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: SPACE.s,
        minHeight: 48,
        borderBottomWidth: 1,
        borderBottomColor: palette.line,
      }}
    >
      <Text as="small" quiet style={{ width: 74 }}>
        {format(atMs, 'HH:mm:ss')}
      </Text>
      <View style={{ flex: 1 }}>
        <Text
          as="strong"
          quiet={!counts}
          style={counts ? undefined : { textDecorationLine: 'line-through' }}
          label={counts ? words : `${words}, undone`}
        >
          {words}
        </Text>
        {isUnplaced && counts && (
          <Text as="label" color={palette.late}>
            Not counted: there is no such mark or start, or it was taken twice.
          </Text>
        )}
        {event.deviceId !== device && (
          <Text as="label">{event.deviceId === LOOP_DEVICE ? 'timing loop' : 'other phone'}</Text>
        )}
      </View>
      {whose !== undefined && counts && (
        <SmallButton label={`Correct ${words}`} onPress={() => open(whose)}>
          Correct
        </SmallButton>
      )}
      {counts && event.type !== 'clock'
        ? may({ type: 'undone', eventId: event.id }) && (
            <SmallButton label={`Undo ${words}`} onPress={() => happen({ type: 'undone', eventId: event.id })}>
              Undo
            </SmallButton>
          )
        : undo &&
          may({ type: 'undone', eventId: undo.event.id }) && (
            <SmallButton
              label={`Bring back ${words}`}
              onPress={() => happen({ type: 'undone', eventId: undo.event.id })}
            >
              Bring back
            </SmallButton>
          )}
    </View>
  );
}

/** As many as anyone looks back at one time; older ones follow on request. */
const SHOWN = 200;

/** Everything that was recorded, the latest first: nothing is ever gone. */
export function HistorySheet({ run, close, open }: Props) {
  const unplaced = new Set(run.state.unplaced.map(({ id }) => id));
  const entries = run.state.log.filter(({ event }) => event.type !== 'undone').reverse();
  return (
    <Sheet
      title="History"
      subtitle={`${entries.length} ${entries.length === 1 ? 'thing' : 'things'} recorded; nothing is ever gone.`}
      close={close}
    >
      <View role="list">
        {entries.slice(0, SHOWN).map((entry) => (
          <Line key={entry.event.id} run={run} entry={entry} isUnplaced={unplaced.has(entry.event.id)} open={open} />
        ))}
      </View>
      {entries.length > SHOWN && <Text as="small">{`The first ${entries.length - SHOWN} are in the saved file.`}</Text>}
    </Sheet>
  );
}
