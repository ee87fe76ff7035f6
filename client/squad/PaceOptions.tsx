import { View } from 'react-native';
import { PACE_UNITS } from '@core/paces/paceTable';
import { settings } from '../store/settings';
import { useAppDispatch, useAppSelector } from '../store/store';
import { Choice } from '../ui/Choice';
import { Chips } from '../ui/Chips';
import { SPACE } from '../ui/theme';
import { UNIT_WORDS } from './squadRows';

const UNITS = PACE_UNITS.map((unit) => ({ value: unit, text: UNIT_WORDS[unit] }));
const ARRANGED = [
  { value: 'groups', text: 'By group' },
  { value: 'list', text: 'One list' },
] as const;

/** Which paces the table shows, over what length, and whether the groups are kept apart. */
export function PaceOptions({ names, hasGroups }: { names: readonly string[]; hasGroups: boolean }) {
  const { shown, unit, byGroup } = useAppSelector((state) => state.settings.paces);
  const dispatch = useAppDispatch();
  const choose = (part: Parameters<typeof settings.actions.pacesChosen>[0]) =>
    dispatch(settings.actions.pacesChosen(part));
  return (
    <View style={{ gap: SPACE.m }}>
      <Chips
        label="Paces shown"
        options={names.map((name) => ({ value: name, text: name }))}
        chosen={shown}
        // The order is that of the book, whatever was pressed first.
        onChange={(chosen) => choose({ shown: names.filter((name) => chosen.includes(name)) })}
      />
      <Choice label="As time" showLabel options={UNITS} value={unit} onChange={(value) => choose({ unit: value })} />
      {hasGroups && (
        <Choice
          label="Arranged"
          showLabel
          options={ARRANGED}
          value={byGroup ? 'groups' : 'list'}
          onChange={(value) => choose({ byGroup: value === 'groups' })}
        />
      )}
    </View>
  );
}
