import { router } from 'expo-router';
import { useCallback, useState } from 'react';
import { View } from 'react-native';
import { weekText } from '@core/season/weekText';
import type { LaidSeason } from '../data/useSeasons';
import { troubleText, useRemoveSeasonMutation, useRestoreSeasonMutation } from '../store/api';
import { Choice } from '../ui/Choice';
import { NotThere } from '../ui/NotThere';
import { Loading } from '../ui/Loading';
import { useNotice } from '../ui/Notices';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { saveFile } from '../ui/saveFile';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { TwoColumns } from '../ui/TwoColumns';
import { useWide } from '../ui/useWide';
import { Text } from '../ui/Text';
import { ChangeAsked } from './ChangeAsked';
import { PrintedSeason } from './PrintedSeason';
import { SeasonAbout } from './SeasonAbout';
import { SeasonAway } from './SeasonAway';
import { SeasonBody } from './SeasonBody';
import { SeasonCycles } from './SeasonCycles';
import { SeasonPhases } from './SeasonPhases';
import { SeasonRaces } from './SeasonRaces';
import { SeasonStrip } from './SeasonStrip';
import { SeasonThreads } from './SeasonThreads';
import { groupsText } from './seasonText';
import { athletesIn } from './seasonChecks';
import { useSeasonData, type SeasonData } from './useSeasonData';
import { useSeasonEdit } from '../data/useSeasonEdit';

const PARTS = [
  { value: 'weeks', text: 'Weeks' },
  { value: 'plan', text: 'Races' },
  { value: 'threads', text: 'Threads' },
  { value: 'away', text: 'Away' },
] as const;
type Part = (typeof PARTS)[number]['value'];

/** The season for other programs and on paper. */
function Out({ laid, data }: { laid: LaidSeason; data: SeasonData }) {
  const [isPrinting, setPrinting] = useState(false);
  const printed = useCallback(() => setPrinting(false), []);
  const [remove] = useRemoveSeasonMutation();
  const [restore] = useRestoreSeasonMutation();
  const notice = useNotice();
  const { season, weeks, id } = laid;
  const week = weeks.find(({ days }) => days.some(({ date }) => date === data.today)) ?? weeks[0];
  const copy = async () => {
    if (!week) return;
    try {
      await navigator.clipboard.writeText(weekText(season, week, data.library));
      notice({ text: 'The week is copied, with nobody’s name in it.' });
    } catch {
      notice({ text: 'This browser does not let it be copied.' });
    }
  };
  const calendar = async () => {
    try {
      const answer = await fetch(`/api/seasons/${id}/calendar.ics`);
      if (!answer.ok) throw new Error(String(answer.status));
      saveFile(`${season.name}.ics`, await answer.text(), 'text/calendar');
    } catch {
      notice({ text: 'The calendar file could not be fetched. Check that the server is running and try again.' });
    }
  };
  const takeAway = async () => {
    const removed = await remove(id);
    if (removed.error) return notice({ text: troubleText(removed.error) });
    router.replace('/season');
    notice({ text: `${season.name} is removed. Sessions that were written stay.`, undo: () => restore(id) });
  };
  return (
    <View role="region" aria-label="Out" style={{ gap: SPACE.s }}>
      <Text as="heading" level={2}>
        For others
      </Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <PrimaryButton onPress={() => void calendar()}>Calendar file</PrimaryButton>
        <PrimaryButton onPress={() => void copy()}>Copy the week</PrimaryButton>
        <PrimaryButton onPress={() => setPrinting(true)}>Print the season</PrimaryButton>
        <PrimaryButton icon="remove" onPress={() => void takeAway()}>
          Remove the season
        </PrimaryButton>
      </View>
      {isPrinting && <PrintedSeason laid={laid} library={data.library} done={printed} />}
    </View>
  );
}

function Whole({ laid, data }: { laid: LaidSeason; data: SeasonData }) {
  const wide = useWide();
  const edit = useSeasonEdit(laid);
  const [part, setPart] = useState<Part>('weeks');
  const { season } = laid;
  const athletes = athletesIn(laid, data.athletes);
  const asked = edit.proposed && (
    <ChangeAsked proposed={edit.proposed} season={season} take={edit.take} leave={edit.leave} />
  );
  const plan = (
    <View style={{ gap: SPACE.xl }}>
      <SeasonRaces laid={laid} edit={edit} />
      <SeasonPhases laid={laid} edit={edit} />
      <SeasonAbout laid={laid} groups={data.groups} edit={edit} />
      <Out laid={laid} data={data} />
    </View>
  );
  const threads = (
    <View style={{ gap: SPACE.xl }}>
      <SeasonThreads laid={laid} data={data} edit={edit} />
      <SeasonCycles season={season} edit={edit} />
    </View>
  );
  const away = <SeasonAway laid={laid} edit={edit} athletes={athletes} />;
  return (
    <Page
      title={season.name}
      subtitle={groupsText(season, data.groups)}
      onBack={() => router.replace('/season')}
      backLabel="Back to this week"
    >
      {wide ? (
        <TwoColumns
          leftShare={1.5}
          left={
            <>
              <SeasonBody laid={laid} data={data} />
              {threads}
            </>
          }
          right={
            <>
              {asked}
              {plan}
              {away}
            </>
          }
        />
      ) : (
        <>
          <SeasonStrip laid={laid} today={data.today} label="Phases and races" />
          <Choice label="Part of the season" isOneLine options={PARTS} value={part} onChange={setPart} />
          {asked}
          {part === 'weeks' && <SeasonBody laid={laid} data={data} />}
          {part === 'plan' && plan}
          {part === 'threads' && threads}
          {part === 'away' && away}
        </>
      )}
    </Page>
  );
}

/** A season as a whole: its weeks, races and phases, threads, and who is away. */
export function SeasonPage({ id }: { id: string }) {
  const { data, error, retry } = useSeasonData(id);
  const laid = data?.seasons.find((laid) => laid.id === id);
  if (data && laid) return <Whole laid={laid} data={data} />;
  const back = () => router.replace('/season');
  return (
    <Page title="Season" onBack={back} backLabel="Back to this week">
      {!data ? (
        error ? (
          <Trouble retry={retry}>{troubleText(error)}</Trouble>
        ) : (
          <Loading />
        )
      ) : (
        <NotThere what="season" goTo="this week" onGo={back} />
      )}
    </Page>
  );
}
