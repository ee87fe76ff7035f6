import { useState } from 'react';
import { View } from 'react-native';
import { heatCaution, heatIndexOf, type HeatLimits } from '@core/squad/heat';
import { SURFACES, WINDS, type Conditions } from '@core/run/events';
import { Choice } from '../../ui/Choice';
import { TextField } from '../../ui/TextField';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';

type Props = { conditions: Conditions; onChange: (part: Conditions) => void; heat: HeatLimits };

type NumberProps = {
  label: string;
  value: number | undefined;
  least: number;
  most: number;
  onChange: (value: number) => void;
};

/** A number that is taken when the field is left; what cannot be one is said, and the typing stays. */
function NumberField({ label, value, least, most, onChange }: NumberProps) {
  const [typed, setTyped] = useState<string>();
  const [trouble, setTrouble] = useState<string>();
  const take = () => {
    if (typed === undefined || typed.trim() === '') return setTyped(undefined);
    const number = Number(typed.replace(',', '.'));
    if (Number.isNaN(number) || number < least || number > most)
      return setTrouble(`A number from ${least} to ${most}.`);
    onChange(number);
    setTyped(undefined);
    setTrouble(undefined);
  };
  return (
    <View style={{ flex: 1 }}>
      <TextField
        label={label}
        value={typed ?? (value === undefined ? '' : String(value))}
        onChange={setTyped}
        onBlur={take}
        decimal
        error={trouble}
      />
    </View>
  );
}

const asOptions = <T extends string>(values: readonly T[]) => values.map((value) => ({ value, text: value }));

/** What it is like out there: from the weather, or as the coach sees it. */
export function ConditionsFields({ conditions, onChange, heat }: Props) {
  const { temperatureC, humidityPct, wind, surface, lane } = conditions;
  const isKnown = temperatureC !== undefined && humidityPct !== undefined;
  const index = isKnown ? heatIndexOf({ temperatureC, humidityPct }) : undefined;
  const caution = isKnown ? heatCaution({ temperatureC, humidityPct }, heat, true) : undefined;
  return (
    <View style={{ gap: SPACE.m }}>
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <NumberField
          label="Temperature, °C"
          value={temperatureC}
          least={-60}
          most={60}
          onChange={(value) => onChange({ temperatureC: value })}
        />
        <NumberField
          label="Humidity, %"
          value={humidityPct}
          least={0}
          most={100}
          onChange={(value) => onChange({ humidityPct: value })}
        />
        <NumberField
          label="Lane"
          value={lane}
          least={1}
          most={12}
          onChange={(value) => onChange({ lane: Math.round(value) })}
        />
      </View>
      {index?.kind === 'index' && <Text as="small">{`Heat index ${Math.round(index.indexC)} °C.`}</Text>}
      {caution !== undefined && <Text as="small">{caution}</Text>}
      <Choice
        label="Wind"
        showLabel
        options={asOptions(WINDS)}
        value={wind}
        onChange={(value) => onChange({ wind: value })}
      />
      <Choice
        label="Surface"
        showLabel
        options={asOptions(SURFACES)}
        value={surface}
        onChange={(value) => onChange({ surface: value })}
      />
    </View>
  );
}
