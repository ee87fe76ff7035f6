import { useState } from 'react';
import { View } from 'react-native';
import { arrivals, guessNames, type Arrival, type Guess } from '@core/run/arrivals';
import { membersOf, runAt, type UnnamedTime } from '@core/run/runState';
import { formatClock, formatTime } from '@core/units/time';
import { Press } from '../../ui/Press';
import { PrimaryButton } from '../../ui/PrimaryButton';
import { SmallButton } from '../../ui/SmallButton';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { Text } from '../../ui/Text';
import type { Run } from '../../log/useRun';
import { Sheet } from './Sheet';

/** The time as it would be for somebody, or how long ago it was. */
function timeWords(run: Run, { atMs, arrival }: Guess): string {
  const rep = arrival && runAt(run.state.athletes[arrival.athleteId], arrival.repIndex);
  return rep ? formatTime((atMs - rep.startedAtMs) / 1000, 1) : `${formatClock((run.now() - atMs) / 1000)} ago`;
}

/** Why a time that was meant for somebody waits: `Ada’s 400 would come before their 200. …` */
function waitsText({ atM, otherM }: NonNullable<UnnamedTime['waits']>, name: string): string {
  const order = atM > otherM ? 'before' : 'after';
  return `${name}’s ${Math.round(atM)} would come ${order} their ${Math.round(otherM)}: name it, or take it back.`;
}

/** Says why a time lost its name: `It was Finn’s 400 until another time was named as theirs …`. */
const wasText = ({ atM }: NonNullable<UnnamedTime['was']>, name: string): string =>
  `It was ${name}’s ${Math.round(atM)} until another time was named as theirs: whose is it?`;

/** Names for the times that were taken without: as expected, or each by a tap. */
export function NamesSheet({ run, close }: { run: Run; close: () => void }) {
  const palette = usePalette();
  const { state, happen } = run;
  const guesses = guessNames(state);
  const [chosenId, choose] = useState<string>();
  const chosen = guesses.find(({ eventId }) => eventId === chosenId) ?? guesses[0];
  const nameIt = (eventId: string, { athleteId, repIndex, atM }: Arrival) =>
    happen({ type: 'named', eventId, athleteId, repIndex, atM });
  const nameAll = () => {
    for (const { eventId, arrival } of guesses) if (arrival) nameIt(eventId, arrival);
    if (guesses.every(({ arrival }) => arrival)) close();
  };
  const nameOne = (eventId: string, arrival: Arrival) => {
    nameIt(eventId, arrival);
    // That was the last of them: nothing is left to be asked here.
    if (guesses.length === 1) close();
  };
  // Who could it be: those on their way at that time, in the order they were expected.
  const expected = chosen ? arrivals(state, chosen.atMs) : [];
  // List the athlete first whose tile was pressed.
  const candidates = [
    ...expected.filter(({ athleteId }) => athleteId === chosen?.tappedId),
    ...expected.filter(({ athleteId }) => athleteId !== chosen?.tappedId),
  ];
  const someGuessed = guesses.some(({ arrival }) => arrival !== undefined);
  return (
    <Sheet
      title={guesses.length === 1 ? '1 time without a name' : `${guesses.length} times without a name`}
      subtitle={guesses.length === 0 ? 'Every time has its name.' : 'Press a time, then whose it is.'}
      close={close}
    >
      {someGuessed && (
        <PrimaryButton main onPress={nameAll}>
          All as expected
        </PrimaryButton>
      )}
      <View role="radiogroup" aria-label="Times without a name" style={{ gap: 6 }}>
        {guesses.map((guess, i) => {
          const { eventId, arrival, chip } = guess;
          const isChosen = eventId === chosen?.eventId;
          const name = arrival ? (state.athletes[arrival.athleteId]?.tileName ?? '') : 'nobody expected';
          return (
            <View key={eventId} style={{ flexDirection: 'row', gap: 6 }}>
              <Press
                role="radio"
                aria-checked={isChosen}
                aria-label={`Time ${i + 1}: ${timeWords(run, guess)}, probably ${name}`}
                onPress={() => choose(eventId)}
                style={{
                  flex: 1,
                  minHeight: 52,
                  flexDirection: 'row',
                  alignItems: 'center',
                  justifyContent: 'space-between',
                  paddingHorizontal: SPACE.m,
                  borderRadius: RADIUS,
                  borderWidth: isChosen ? 2.5 : 1,
                  borderColor: isChosen ? palette.ink : palette.line,
                  backgroundColor: palette.raised,
                }}
              >
                <Text as="heading">{`${i + 1}. ${timeWords(run, guess)}`}</Text>
                <Text as="strong">
                  {`${chip === undefined ? '' : `chip ${chip} · `}${arrival ? `${name}?` : name}`}
                </Text>
              </Press>
              <SmallButton label={`Delete time ${i + 1}`} onPress={() => happen({ type: 'undone', eventId })}>
                Delete
              </SmallButton>
            </View>
          );
        })}
      </View>
      {chosen?.waits && (
        <Text as="small" live="polite">
          {waitsText(chosen.waits, state.athletes[chosen.waits.athleteId]?.tileName ?? 'Somebody')}
        </Text>
      )}
      {chosen?.was && (
        <Text as="small" live="polite">
          {wasText(chosen.was, state.athletes[chosen.was.athleteId]?.tileName ?? 'somebody')}
        </Text>
      )}
      {chosen && (
        <View role="group" aria-label="Whose is it" style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          {candidates.map((arrival) => {
            const athlete = state.athletes[arrival.athleteId];
            const rep = runAt(athlete, arrival.repIndex);
            const where = arrival.atM === rep?.rep.distanceM ? '' : ` ${Math.round(arrival.atM)}`;
            return (
              <SmallButton key={arrival.athleteId} onPress={() => nameOne(chosen.eventId, arrival)}>
                {`${athlete?.tileName ?? ''}${where}`}
              </SmallButton>
            );
          })}
          {candidates.length === 0 && (
            <Text as="small">
              {state.groups.some(({ id }) => membersOf(state, id).some(({ runs }) => runs.length > 0))
                ? 'Nobody was on the way at that time. It is kept here.'
                : 'Nobody had started. It is kept here.'}
            </Text>
          )}
        </View>
      )}
    </Sheet>
  );
}
