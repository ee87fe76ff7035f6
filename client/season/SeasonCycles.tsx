import { View } from 'react-native';
import type { CycleWeek, PhasePlan, SeasonPlan } from '@core/season/season';
import { capitalised } from '@core/units/capitalised';
import { Select } from '../ui/Select';
import { SmallButton } from '../ui/SmallButton';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';
import type { SeasonEdit } from '../data/useSeasonEdit';
import { TermHeading } from '../parts/TermHeading';

const MOST_WEEKS = 12;
const EASY = '';

/** Hard days a week of a phase has; as many as its cycle speaks of where those are more. */
function hardDaysOf({ phaseRhythms, rhythm }: SeasonPlan, phase: PhasePlan['phase'], cycle: readonly CycleWeek[]) {
  const hardDays = (phaseRhythms?.[phase] ?? rhythm).filter((kind) => kind === 'hard').length;
  return Math.max(hardDays, ...cycle.map((week) => week.length));
}

type Props = { season: SeasonPlan; edit: SeasonEdit };

/** Whose turn it is: for each phase the weeks that come round, and which thread each hard day of them takes. */
export function SeasonCycles({ season, edit }: Props) {
  const phases = [...new Set(season.phases.map(({ phase }) => phase))];
  const put = (phase: PhasePlan['phase'], cycle: readonly CycleWeek[], noticeText: string) =>
    edit.change({ kind: 'set', set: { cycles: { ...season.cycles, [phase]: cycle } } }, noticeText);
  return (
    <View role="region" aria-label="Whose turn it is" style={{ gap: SPACE.m }}>
      <TermHeading terms={['cycle', 'turn']}>Whose turn it is</TermHeading>
      <Text as="small" quiet>
        The weeks of a phase come round. A thread that was run too lately lets another go first.
      </Text>
      {phases.map((phase) => {
        const cycle = season.cycles[phase] ?? [];
        const slots = Array.from({ length: hardDaysOf(season, phase, cycle) }, (_, i) => i);
        const setSlot = (at: number, slot: number, id: string) =>
          put(
            phase,
            cycle.map((week, i) =>
              i === at ? slots.map((n) => (n === slot ? (id === EASY ? null : id) : (week[n] ?? null))) : week,
            ),
            'Whose turn it is has changed.',
          );
        return (
          <View key={phase} role="group" aria-label={capitalised(phase)} style={{ gap: SPACE.xs }}>
            <Text as="strong">{capitalised(phase)}</Text>
            {cycle.length === 0 && (
              <Text as="small" quiet>
                {slots.length === 0 ? 'No hard days.' : 'As in the phase beside it, or no hard days.'}
              </Text>
            )}
            {cycle.map((week, at) => (
              <View key={at} style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-end', gap: SPACE.s }}>
                {slots.map((slot) => (
                  <View key={slot} style={{ flexGrow: 1, flexBasis: 130 }}>
                    <Select
                      label={cycle.length > 1 ? `Week ${at + 1}, hard day ${slot + 1}` : `Hard day ${slot + 1}`}
                      value={week[slot] ?? EASY}
                      options={[
                        { value: EASY, text: 'Easy that week' },
                        ...season.threads.map(({ id, name }) => ({ value: id, text: name })),
                      ]}
                      onChange={(id) => setSlot(at, slot, id)}
                    />
                  </View>
                ))}
                {cycle.length > 1 && (
                  <SmallButton
                    label={`${capitalised(phase)}: take week ${at + 1} out`}
                    onPress={() =>
                      put(
                        phase,
                        cycle.filter((_, i) => i !== at),
                        'A week comes round less.',
                      )
                    }
                  >
                    Take out
                  </SmallButton>
                )}
              </View>
            ))}
            {slots.length > 0 && season.threads.length > 0 && cycle.length < MOST_WEEKS && (
              <View style={{ alignItems: 'flex-start' }}>
                <SmallButton
                  label={`${capitalised(phase)}: another week`}
                  onPress={() =>
                    put(
                      phase,
                      [...cycle, cycle.at(-1) ?? slots.map(() => season.threads[0]?.id ?? null)],
                      'A week more comes round.',
                    )
                  }
                >
                  {cycle.length === 0 ? 'Its own weeks' : 'Another week'}
                </SmallButton>
              </View>
            )}
          </View>
        );
      })}
    </View>
  );
}
