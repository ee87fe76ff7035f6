import { Controller, useWatch, type Control } from 'react-hook-form';
import { View } from 'react-native';
import { IconButton } from 'react-native-paper';
import { formatDistance, USUAL_DISTANCES_M } from '@core/units/distance';
import { formatMarkTime } from '@core/units/time';
import { Choice } from '../ui/Choice';
import { DateField } from '../ui/DateField';
import { TextField } from '../ui/TextField';
import { RADIUS, SPACE, usePalette } from '../ui/theme';
import { Words } from '../ui/Words';
import { readMark, type AthleteFields } from './athleteForm';

const DISTANCES = USUAL_DISTANCES_M.map((distanceM) => ({
  value: formatDistance(distanceM),
  text: formatDistance(distanceM),
}));
const KINDS = [
  { value: 'race', text: 'Race' },
  { value: 'trial', text: 'Trial' },
  { value: 'session', text: 'From a session' },
  { value: 'estimate', text: 'My estimate' },
] as const;

type Props = { control: Control<AthleteFields>; index: number; remove?: () => void };

/** One mark being typed: distance, time, day and kind, with what was understood of it. */
export function MarkEditor({ control, index, remove }: Props) {
  const palette = usePalette();
  const typed = useWatch({ control, name: `marks.${index}` });
  const read = typed && readMark(typed);
  return (
    <View
      role="group"
      aria-label={`Mark ${index + 1}`}
      style={{ gap: SPACE.m, padding: SPACE.m, borderRadius: RADIUS, backgroundColor: palette.raised }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', minHeight: 44 }}>
        <Words as="heading" level={2}>
          {`Mark ${index + 1}`}
        </Words>
        {remove && (
          <IconButton
            icon="remove"
            onPress={remove}
            accessibilityLabel={`Remove mark ${index + 1}`}
            containerColor="transparent"
            style={{ margin: 0, width: 44, height: 44 }}
          />
        )}
      </View>
      <Controller
        control={control}
        name={`marks.${index}.distance`}
        render={({ field, fieldState }) => (
          <View style={{ gap: SPACE.s }}>
            <Choice label="Usual distances" options={DISTANCES} value={field.value} onChange={field.onChange} />
            <TextField
              label="Distance"
              value={field.value}
              onChange={field.onChange}
              error={fieldState.error?.message}
              placeholder="or type one: 1200, 2 miles"
            />
          </View>
        )}
      />
      <View style={{ flexDirection: 'row', gap: SPACE.m }}>
        <View style={{ flex: 1 }}>
          <Controller
            control={control}
            name={`marks.${index}.time`}
            render={({ field, fieldState }) => (
              <TextField
                label="Time"
                value={field.value}
                onChange={field.onChange}
                error={fieldState.error?.message}
                placeholder="18:30"
              />
            )}
          />
        </View>
        <View style={{ flex: 1 }}>
          <Controller
            control={control}
            name={`marks.${index}.date`}
            render={({ field, fieldState }) => (
              <DateField label="Day" value={field.value} onChange={field.onChange} error={fieldState.error?.message} />
            )}
          />
        </View>
      </View>
      {read && (
        <View
          role="status"
          style={read.doubt ? { backgroundColor: palette.warning, borderRadius: RADIUS, padding: SPACE.s } : {}}
        >
          <Words as="small" {...(read.doubt ? { color: palette.onAction } : { quiet: true })}>
            {read.doubt
              ? `${read.doubt} You can keep it all the same.`
              : `Read as ${formatDistance(read.distanceM)} in ${formatMarkTime(read.timeS)}.`}
          </Words>
        </View>
      )}
      <Controller
        control={control}
        name={`marks.${index}.kind`}
        render={({ field }) => (
          <Choice label="Kind" showLabel options={KINDS} value={field.value} onChange={field.onChange} />
        )}
      />
    </View>
  );
}
