import { View } from 'react-native';
import { INTENT_FACTS, INTENTS, type Intent } from '@core/session/intent';
import type { PulseBand, Schools } from '@core/squad/schools';
import { Select } from '../ui/Select';
import { Stepper } from '../ui/Stepper';
import { TextButton } from '../ui/TextButton';
import { SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';

type Bands = NonNullable<Schools['pulseByIntent']>;

/** Where a new band begins, for the coach to move. */
const BEGIN: PulseBand = { from: 150, to: 170 };

/** Beats a minute. */
const [LEAST, MOST, STEP] = [60, 230, 5];

type SteppersProps = {
  band: PulseBand;
  /** What the lower and the upper end are called. */
  labels: readonly [string, string];
  most: number;
  put: (band: PulseBand) => void;
};

/** The two ends of a band, neither of which passes the other. */
export function BandSteppers({ band: { from, to }, labels: [low, high], most, put }: SteppersProps) {
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.l }}>
      <Stepper
        label={low}
        value={from}
        text={`${from}`}
        step={STEP}
        min={LEAST}
        max={to}
        onChange={(next) => put({ from: next, to })}
      />
      <Stepper
        label={high}
        value={to}
        text={`${to}`}
        step={STEP}
        min={from}
        max={most}
        onChange={(next) => put({ from, to: next })}
      />
    </View>
  );
}

type BandProps = { name: string; band: PulseBand; put: (band: PulseBand | undefined) => void };

function Band({ name, band, put }: BandProps) {
  const palette = usePalette();
  return (
    <View
      role="group"
      aria-label={`Pulse, ${name}`}
      style={{ gap: SPACE.xs, paddingBottom: SPACE.s, borderBottomWidth: 1, borderBottomColor: palette.line }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' }}>
        <Text as="strong">{name}</Text>
        <TextButton label={`Take out the pulse of ${name}`} onPress={() => put(undefined)}>
          Take out
        </TextButton>
      </View>
      <BandSteppers band={band} labels={['From', 'To']} most={MOST} put={put} />
    </View>
  );
}

/** Where the pulse should be after a rep, for each kind of session that the coach wants it judged in. */
export function PulseBands({ bands, put }: { bands: Bands; put: (bands: Bands) => void }) {
  const without = (intent: Intent) =>
    Object.fromEntries(Object.entries(bands).filter(([other]) => other !== intent)) as Bands;
  const set = INTENTS.flatMap((intent) => {
    const band = bands[intent];
    return band ? [{ intent, band }] : [];
  });
  return (
    <View style={{ gap: SPACE.m, maxWidth: 640 }}>
      <Text as="heading" level={2}>
        Pulse after a rep
      </Text>
      <Text as="small" quiet>
        Where it should be in a session of this kind; results say where it was not. Pulses differ widely from one runner
        to the next: a hint, never a limit.
      </Text>
      {set.map(({ intent, band }) => (
        <Band
          key={intent}
          name={INTENT_FACTS[intent].name}
          band={band}
          put={(next) => put({ ...without(intent), ...(next ? { [intent]: next } : {}) })}
        />
      ))}
      <Select
        label="Set the pulse for"
        value=""
        options={[
          { value: '', text: 'Choose a kind of session' },
          ...INTENTS.filter((intent) => !bands[intent]).map((intent) => ({
            value: intent,
            text: INTENT_FACTS[intent].name,
          })),
        ]}
        onChange={(intent: Intent | '') => {
          if (intent !== '') put({ ...bands, [intent]: set.at(-1)?.band ?? BEGIN });
        }}
      />
    </View>
  );
}
