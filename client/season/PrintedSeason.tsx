import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { View } from 'react-native';
import type { SeasonDay } from '@core/season/season';
import { sessionOfDay, type Library } from '@core/season/threads/threadSession';
import { amountText, DAY_WORDS, mainLine } from '@core/season/weekText';
import type { LaidSeason } from '../data/useSeasons';
import { Printed } from '../ui/Printed';
import { usePalette } from '../ui/theme';
import { Text } from '../ui/Text';

const TINY = { fontSize: 9, lineHeight: 10.5 } as const;
const MOST_CHARACTERS = 44;

function dayOnPaper({ season }: LaidSeason, day: SeasonDay, library: Library): string {
  const { kind, date, amount } = day;
  if (kind === 'race')
    return season.races
      .filter((race) => race.date === date)
      .map(({ name, weight }) => `${name} (${weight})`)
      .join(', ');
  const session = sessionOfDay(season, day, library);
  if (session?.kind === 'session') {
    const text = mainLine(session.shorthand);
    return text.length > MOST_CHARACTERS ? session.title : text;
  }
  return kind === 'free' ? '' : `${DAY_WORDS[kind]}${amount ? ` ${amountText(amount)}` : ''}`;
}

function Table({ laid, library }: { laid: LaidSeason; library: Library }) {
  const palette = usePalette();
  const line = { flexDirection: 'row', borderBottomWidth: 1, borderBottomColor: palette.line } as const;
  const cell = { flex: 1, paddingHorizontal: 2, paddingVertical: 1 } as const;
  return (
    <View>
      <Text as="heading" level={1}>
        {laid.season.name}
      </Text>
      <View style={line}>
        <Text as="label" style={{ width: 84, ...TINY }}>
          Week
        </Text>
        {(laid.weeks[0]?.days ?? []).map(({ date }) => (
          <Text key={date} as="label" style={[cell, TINY]}>
            {format(parseISO(date), 'EEEE')}
          </Text>
        ))}
      </View>
      {laid.weeks.map((week, i) => (
        <View
          key={week.from}
          style={{ ...line, ...(laid.weeks[i - 1]?.phase === week.phase ? {} : { borderTopWidth: 1.5 }) }}
        >
          <Text as="label" style={{ width: 84, ...TINY }}>
            {`${format(parseISO(week.from), 'd MMM')} ${week.phase}`}
          </Text>
          {week.days.map((day) => (
            <Text
              key={day.date}
              as={day.kind === 'hard' || day.kind === 'race' ? 'label' : 'small'}
              style={[
                cell,
                TINY,
                day.kind === 'hard' || day.kind === 'race' ? { backgroundColor: palette.raised } : {},
              ]}
            >
              {day.date >= laid.season.firstDay ? dayOnPaper(laid, day, library) : ''}
            </Text>
          ))}
        </View>
      ))}
    </View>
  );
}

/** The season on one page: a line a week, in words, black and white safe. */
export function PrintedSeason({ laid, library, done }: { laid: LaidSeason; library: Library; done: () => void }) {
  return (
    <Printed label={`${laid.season.name} on paper`} isLandscape done={done}>
      <Table laid={laid} library={library} />
    </Printed>
  );
}
