import { useState } from 'react';
import { View } from 'react-native';
import type { SquadChange } from '@core/squad/change';
import { YOUNG_BY_DEFAULT, YOUNG_RANGE, type Club } from '@core/squad/club';
import type { SquadView } from '../data/useSquad';
import type { Changed } from '../data/useSquadChange';
import { Chips } from '../ui/Chips';
import { Select } from '../ui/Select';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Text } from '../ui/Text';
import { Part } from './Part';

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;
const WEEK_STARTS = [
  { value: 'monday', text: 'Monday' },
  { value: 'sunday', text: 'Sunday' },
] as const;

const AGES = Array.from({ length: YOUNG_RANGE.max - YOUNG_RANGE.min + 1 }, (_, i) => {
  const age = String(YOUNG_RANGE.min + i);
  return { value: age, text: age };
});

const nameOfZone = (zone: string) => zone.replaceAll('_', ' ');

/** This device's zone first, then all there are; also one that this browser does not know. */
function zoneOptions(timeZone: string | undefined) {
  const deviceZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const all = new Set(Intl.supportedValuesOf('timeZone'));
  if (timeZone !== undefined) all.add(timeZone);
  return [
    { value: '', text: `Each device’s own (here ${nameOfZone(deviceZone)})` },
    ...[...all].sort().map((zone) => ({ value: zone, text: nameOfZone(zone) })),
  ];
}

type Props = { squad: SquadView; change: (change: SquadChange, noticeText: string) => Promise<Changed> };

/** Settings of the club: its time zone, how weeks are counted, when it is hot, and who is young. */
export function ClubPart({ squad, change }: Props) {
  const [trouble, setTrouble] = useState<string>();
  const club = squad.settings.club ?? {};
  const put = async (next: Club, noticeText: string) => {
    const done = await change({ club: Object.keys(next).length > 0 ? next : null }, noticeText);
    setTrouble(done.ok ? undefined : done.message);
  };
  const { timeZone, weekStart = 'monday', heatMonths = [], youngUnder = YOUNG_BY_DEFAULT } = club;
  return (
    <Part title="The club">
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
      <View style={{ gap: SPACE.xs }}>
        <Select
          label="Time zone"
          value={timeZone ?? ''}
          options={zoneOptions(timeZone)}
          onChange={(zone) => {
            const { timeZone: _before, ...rest } = club;
            void put(zone === '' ? rest : { ...rest, timeZone: zone }, 'The time zone is changed.');
          }}
        />
        <Text as="small" quiet>
          Today is the day it is there, also on a phone that is away at a training camp.
        </Text>
      </View>
      <Select
        label="Weeks of a new season begin on"
        value={weekStart}
        options={WEEK_STARTS}
        onChange={(day) => void put({ ...club, weekStart: day }, 'The first day of the week is changed.')}
      />
      <View style={{ gap: SPACE.xs }}>
        <Chips
          label="Hot months"
          options={MONTHS.map((text, i) => ({ value: String(i + 1), text }))}
          chosen={heatMonths.map(String)}
          onChange={(months) => void put({ ...club, heatMonths: months.map(Number) }, 'The hot months are changed.')}
        />
        <Text as="small" quiet>
          Seasons say so where a hard day or a race falls into one of them.
        </Text>
      </View>
      <View style={{ gap: SPACE.xs }}>
        <Select
          label="Young means under"
          value={String(youngUnder)}
          options={AGES}
          onChange={(age) => void put({ ...club, youngUnder: Number(age) }, 'The age is changed.')}
        />
        <Text as="small" quiet>
          By the year they were born in. They are marked on the plan and at the roll call, and of a range they begin
          with the least. Under 14 a step on is one rep more at most, whatever is chosen here.
        </Text>
      </View>
    </Part>
  );
}
