import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { seasonForAthlete } from '@core/season/athleteSeason';
import { dayView } from '@core/season/dayView';
import type { LaidSeason } from '../data/useSeasons';
import { Select } from '../ui/Select';
import { SmallButton } from '../ui/SmallButton';
import { SPACE } from '../ui/theme';
import { Text } from '../ui/Text';
import { ChangeAsked } from './ChangeAsked';
import { CheckList } from './CheckList';
import { DaySheet } from './DaySheet';
import { Ladder } from './Ladder';
import { groupsText } from './seasonText';
import { athletesIn, checksOf, leftOutOf } from './seasonChecks';
import { useSeasonEdit } from '../data/useSeasonEdit';
import type { SeasonData } from './useSeasonData';

type Props = {
  laid: LaidSeason;
  data: SeasonData;
  /** Beside the week: with a heading and a way to all of it. */ isShort?: boolean;
};

/** The ladder of a season with what to look at again beside it; a day that is dragged is laid out again at once. */
export function SeasonBody({ laid, data, isShort = false }: Props) {
  const { season } = laid;
  const edit = useSeasonEdit(laid);
  const [whose, setWhose] = useState('');
  const shown = useMemo(
    () => (whose === '' ? laid : { ...laid, weeks: seasonForAthlete(season, laid.weeks, whose) }),
    [laid, season, whose],
  );
  const checks = checksOf(laid, data);
  const leftOut = useMemo(() => leftOutOf(laid), [laid]);
  const [openDate, setOpenDate] = useState<string>();
  const view = useMemo(
    () => (openDate === undefined ? undefined : dayView(openDate, { ...data, seasons: [laid] })),
    [openDate, data, laid],
  );
  const titles = useMemo(() => new Map(data.sessions.map(({ id, title }) => [id, title])), [data.sessions]);
  /** Titles of sessions written for a day outside every season, by day. */
  const standing = useMemo(() => {
    const ofSeasons = new Set(
      data.seasons.flatMap((other) => other.season.fixed.flatMap(({ sessionId }) => sessionId ?? [])),
    );
    return new Map(data.sessions.flatMap(({ id, date, title }) => (ofSeasons.has(id) ? [] : [[date, title] as const])));
  }, [data.sessions, data.seasons]);
  const also = (view?.entries ?? []).filter(
    ({ session, seasonIds }) => seasonIds.length === 0 && session && standing.has(session.date),
  );
  const entry = view?.entries.find(({ seasonIds }) => seasonIds.includes(laid.id));
  const open = (date: string) => {
    const [race] = season.races.filter((race) => race.date === date);
    if (race) router.push(`/season/race/${laid.id}/${race.id}`);
    else setOpenDate(date);
  };
  return (
    <View style={{ gap: SPACE.m }}>
      {isShort && (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
          <View style={{ flex: 1, minWidth: 0 }}>
            <Text as="heading" level={2}>
              {season.name}
            </Text>
            <Text as="small" quiet>
              {groupsText(season, data.groups)}
            </Text>
          </View>
          <SmallButton label={`Open ${season.name}`} onPress={() => router.push(`/season/${laid.id}`)}>
            Change the season
          </SmallButton>
        </View>
      )}
      {edit.proposed && <ChangeAsked proposed={edit.proposed} season={season} take={edit.take} leave={edit.leave} />}
      {!isShort && (
        <Select
          label="Whose season"
          value={whose}
          options={[
            { value: '', text: 'The group’s' },
            ...athletesIn(laid, data.athletes).map(({ id, name }) => ({ value: id, text: name })),
          ]}
          onChange={setWhose}
        />
      )}
      <Ladder
        laid={shown}
        today={data.today}
        runDates={data.runDates}
        ranMinutes={data.km.ranMinutes}
        titles={titles}
        standing={standing}
        onOpen={open}
        onSwap={(from, to) => edit.change({ kind: 'swap', from, to }, 'The days have changed places.')}
      />
      <CheckList season={season} checks={checks} leftOut={leftOut} edit={edit} />
      {openDate !== undefined && entry && (
        <DaySheet
          entry={entry}
          also={also}
          date={openDate}
          laid={laid}
          athletes={data.athletes}
          close={() => setOpenDate(undefined)}
        />
      )}
    </View>
  );
}
