import { useState } from 'react';
import { View, type ViewStyle } from 'react-native';
import { IconButton } from 'react-native-paper';
import type { SquadMember } from '@core/squad/athlete';
import { formatTime } from '@core/units/time';
import { DragRow, DropCard } from '../../ui/DragCard';
import { TextField } from '../../ui/TextField';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { Text } from '../../ui/Text';
import { STATUS_WORDS } from '../../data/athleteText';
import type { GroupColumn } from './groupBoard';

const lapText = (lapS: number | undefined) => (lapS === undefined ? 'no pace' : formatTime(lapS, 1));

/** Name and pace of someone in a group; lifted while they are dragged. */
export function AthleteStrip({
  athlete,
  lapS,
  lifted = false,
}: {
  athlete: SquadMember;
  lapS: number | undefined;
  lifted?: boolean;
}) {
  const palette = usePalette();
  const style: ViewStyle = lifted
    ? { backgroundColor: palette.action, borderRadius: RADIUS, paddingHorizontal: SPACE.m }
    : {};
  const color = lifted ? palette.onAction : palette.ink;
  return (
    <View style={[{ flex: 1, minHeight: 48, flexDirection: 'row', alignItems: 'center', gap: SPACE.s }, style]}>
      <Text as="strong" color={color} style={{ flex: 1 }}>
        {athlete.name}
      </Text>
      {athlete.status !== 'training' && (
        <Text as="label" color={color}>
          {STATUS_WORDS[athlete.status]}
        </Text>
      )}
      <Text color={color}>{lapText(lapS)}</Text>
    </View>
  );
}

type Props = {
  column: GroupColumn;
  lapOf: (athlete: SquadMember) => number | undefined;
  /** Absent for those in no group: that is not a group. */
  edit?: { rename: (name: string) => void; remove: () => void; up?: () => void; down?: () => void };
};

/** A group: its name, its members with the pace groups go by, and a place to drop others on. */
export function GroupCard({ column, lapOf, edit }: Props) {
  const [name, setName] = useState(column.name);
  const laps = column.athletes.flatMap((athlete) => lapOf(athlete) ?? []);
  const spread = laps.length > 1 ? `${lapText(Math.min(...laps))} to ${lapText(Math.max(...laps))}` : '';
  const small = (icon: 'up' | 'down' | 'remove', label: string, onPress: (() => void) | undefined) => (
    <IconButton
      icon={icon}
      size={20}
      disabled={!onPress}
      onPress={onPress ?? (() => undefined)}
      accessibilityLabel={label}
      containerColor="transparent"
      style={{ margin: 0, width: 44, height: 44 }}
    />
  );
  return (
    <DropCard id={column.id || 'none'} label={column.name}>
      {edit ? (
        <View style={{ flexDirection: 'row', alignItems: 'flex-end' }}>
          <View style={{ flex: 1 }}>
            <TextField
              label={`${column.athletes.length} in the group`}
              name={`Name of ${column.name}`}
              value={name}
              onChange={setName}
              onBlur={() => {
                if (name.trim() === '') setName(column.name);
                else if (name.trim() !== column.name) edit.rename(name.trim());
              }}
            />
          </View>
          {small('up', `Move ${column.name} up`, edit.up)}
          {small('down', `Move ${column.name} down`, edit.down)}
          {small('remove', `Remove ${column.name}`, edit.remove)}
        </View>
      ) : (
        <Text as="heading" level={2}>
          {column.name}
        </Text>
      )}
      {spread !== '' && (
        <Text as="small" quiet style={{ paddingTop: SPACE.xs }}>
          {`${spread} a lap`}
        </Text>
      )}
      {column.athletes.map((athlete) => (
        <DragRow key={athlete.id} id={athlete.id} name={athlete.name}>
          <AthleteStrip athlete={athlete} lapS={lapOf(athlete)} />
        </DragRow>
      ))}
      {column.athletes.length === 0 && (
        <Text quiet style={{ paddingVertical: SPACE.m }}>
          Nobody yet. Drag someone here.
        </Text>
      )}
    </DropCard>
  );
}
