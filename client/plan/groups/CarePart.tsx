import { View } from 'react-native';
import { isStanding } from '@core/judgement/care';
import { careText } from '@core/judgement/careWords';
import { careDecision } from '@core/planning/dayPlan';
import { grouped } from '@core/units/grouped';
import { listed } from '@core/units/listed';
import { useCare } from '../../data/useCare';
import type { Planning } from '../../data/usePlanning';
import { CareAnswers } from '../../parts/CareAnswers';
import { CARE_CHOICE_WORDS } from '../../parts/careText';
import { dayInText } from '../../ui/days';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { Text } from '../../ui/Text';

/** Athletes to take care of on this day, each with the three answers; standing conditions follow in one line. */
export function CarePart({ planning }: { planning: Planning }) {
  const palette = usePalette();
  const { session, squad, plan, decide, athletes, running } = planning;
  const care = useCare(squad, session.date);
  const here = new Set(running.map(({ id }) => id));
  const known = athletes.flatMap((athlete) => {
    const entries = care?.of.get(athlete.id) ?? [];
    const isAsked = here.has(athlete.id) || plan.care?.[athlete.id] === 'out';
    return isAsked && entries.length > 0 ? [{ athlete, entries }] : [];
  });
  const asked = known.filter(({ entries }) => entries.some((entry) => !isStanding(entry)));
  const standing = grouped(
    known.flatMap(({ athlete, entries }) =>
      entries.filter(isStanding).map((entry) => ({ name: athlete.tileName, text: careText(entry, dayInText) })),
    ),
    ({ text }) => text,
  );
  if (known.length === 0) return null;
  return (
    <View
      role="region"
      aria-label="Take care"
      style={{
        gap: SPACE.m,
        padding: SPACE.m,
        borderRadius: RADIUS,
        borderLeftWidth: 6,
        borderLeftColor: palette.warning,
        backgroundColor: palette.raised,
      }}
    >
      {asked.length > 0 && (
        <Text as="heading" level={2}>
          Take care
        </Text>
      )}
      {asked.map(({ athlete, entries }) => (
        <CareAnswers
          key={athlete.id}
          name={athlete.name}
          entries={entries.filter((entry) => !isStanding(entry))}
          choice={plan.care?.[athlete.id]}
          choose={(choice) =>
            decide(
              careDecision(plan, athlete.id, choice),
              `${athlete.tileName}: ${CARE_CHOICE_WORDS[choice].toLowerCase()}.`,
            )
          }
        />
      ))}
      {[...standing].map(([text, people]) => (
        <Text as="small" quiet key={text}>
          {`${text.charAt(0).toUpperCase()}${text.slice(1)}: ${listed(people.map(({ name }) => name))}.`}
        </Text>
      ))}
    </View>
  );
}
