import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { warmUpFor } from '@core/season/raceDay';
import type { SeasonRace } from '@core/season/season';
import { useSeasonEdit } from '../data/useSeasonEdit';
import { useSeasons, type LaidSeason } from '../data/useSeasons';
import { useSquad, type SquadView } from '../data/useSquad';
import { troubleText } from '../store/api';
import { dayName, today } from '../ui/days';
import { Empty } from '../ui/Empty';
import { Loading } from '../ui/Loading';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { TwoColumns } from '../ui/TwoColumns';
import { Text } from '../ui/Text';
import { ChangeAsked } from './ChangeAsked';
import { RaceEntries } from './RaceEntries';
import { Focus, Rehearsed } from './RaceNotes';
import { RaceForm } from './RaceForm';
import { untilText } from './seasonText';

function Race({ race, laid, squad }: { race: SeasonRace; laid: LaidSeason; squad: SquadView }) {
  const edit = useSeasonEdit(laid);
  const [isChanging, setChanging] = useState(false);
  const { season } = laid;
  const put = (next: SeasonRace, noticeText: string) => void edit.apply({ kind: 'putRace', race: next }, noticeText);
  const isSecond = season.races.some(
    (other) => other.id !== race.id && other.date === race.date && (other.startTime ?? '') < (race.startTime ?? ''),
  );
  return (
    <Page
      title={race.name}
      subtitle={[`${race.weight} race`, dayName(race.date), untilText(race.date, today()), race.startTime, race.place]
        .filter((part) => part !== undefined)
        .join(' · ')}
      onBack={() => router.replace(`/season/${laid.id}`)}
      backLabel="Back to the season"
    >
      {edit.proposed && <ChangeAsked proposed={edit.proposed} season={season} take={edit.take} leave={edit.leave} />}
      <TwoColumns
        left={
          <>
            {isChanging ? (
              <RaceForm
                race={race}
                save={(next) => {
                  setChanging(false);
                  edit.change({ kind: 'putRace', race: next }, `${next.name} is changed.`);
                }}
                cancel={() => setChanging(false)}
              />
            ) : (
              <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
                <PrimaryButton icon="flag" onPress={() => setChanging(true)}>
                  Move or change it
                </PrimaryButton>
                <PrimaryButton
                  icon="remove"
                  onPress={() =>
                    void edit
                      .apply({ kind: 'removeRace', raceId: race.id }, `${race.name} is taken out.`)
                      .then((isDone) => {
                        if (isDone) router.replace(`/season/${laid.id}`);
                      })
                  }
                >
                  Take it out
                </PrimaryButton>
              </View>
            )}
            {race.startTime !== undefined && (
              <View style={{ gap: SPACE.xs }}>
                <Text as="heading" level={2}>
                  {isSecond ? 'Second warm-up' : 'Warm-up'}
                </Text>
                {warmUpFor(race.startTime, isSecond).map(({ at, what }) => (
                  <View key={at} style={{ flexDirection: 'row', gap: SPACE.m }}>
                    <Text as="strong" style={{ width: 56 }}>
                      {at}
                    </Text>
                    <Text style={{ flex: 1 }}>{what}</Text>
                  </View>
                ))}
                <View style={{ flexDirection: 'row', gap: SPACE.m }}>
                  <Text as="strong" style={{ width: 56 }}>
                    {race.startTime}
                  </Text>
                  <Text as="strong">the gun</Text>
                </View>
              </View>
            )}
            <RaceEntries
              race={race}
              laid={laid}
              squad={squad}
              save={(entries, noticeText) => put({ ...race, entries }, noticeText)}
            />
          </>
        }
        right={
          <>
            <Focus race={race} put={(next) => put(next, 'It is on the cards.')} />
            <Rehearsed
              season={season}
              save={(rehearsed) => void edit.apply({ kind: 'set', set: { rehearsed } }, 'It is on the cards.')}
            />
          </>
        }
      />
    </Page>
  );
}

/** A race: who runs what, the cards, the warm-up, and afterwards the times. */
export function RacePage({ seasonId, raceId }: { seasonId: string; raceId: string }) {
  const { seasons, error, retry } = useSeasons();
  const { squad, error: squadError, retry: retrySquad } = useSquad();
  const laid = seasons?.find(({ id }) => id === seasonId);
  const race = laid?.season.races.find(({ id }) => id === raceId);
  if (laid && race && squad) return <Race race={race} laid={laid} squad={squad} />;
  const back = () => router.replace('/season');
  return (
    <Page title="Race" onBack={back} backLabel="Back to the season">
      {!seasons || !squad ? (
        (error ?? squadError) ? (
          <Trouble
            retry={() => {
              retry();
              retrySquad();
            }}
          >
            {troubleText(error ?? squadError)}
          </Trouble>
        ) : (
          <Loading />
        )
      ) : (
        <Empty title="No such race" action={{ label: 'Go to the season', onPress: back }}>
          There is no race at this address. It may have been taken out.
        </Empty>
      )}
    </Page>
  );
}
