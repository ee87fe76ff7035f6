import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { router } from 'expo-router';
import { useMemo, useRef, useState, type ComponentProps, type ComponentType } from 'react';
import { View } from 'react-native';
import { IconButton } from 'react-native-paper';
import { dayView } from '@core/season/dayView';
import { isSeasonOver } from '@core/season/phases';
import { daysAfter } from '@core/units/dayNumber';
import type { LaidSeason } from '../data/useSeasons';
import type { DaySheet } from './DaySheet';
import type { SeasonBody } from './SeasonBody';
import { troubleText } from '../store/api';
import { Chips } from '../ui/Chips';
import { dayInText, today } from '../ui/days';
import { Empty } from '../ui/Empty';
import { useWorkedOut } from '../ui/inPieces';
import { ListPart } from '../ui/ListPart';
import { ListRow } from '../ui/ListRow';
import { useFirstPictureUntil } from '../ui/firstPicture';
import { Later } from '../ui/Later';
import { Loading } from '../ui/Loading';
import { SettingsLink } from '../parts/SettingsLink';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { SmallButton } from '../ui/SmallButton';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { useWide } from '../ui/useWide';
import { Text } from '../ui/Text';
import { DayRows } from './DayRows';
import { DueList } from './DueList';
import { SeasonStrip } from './SeasonStrip';
import { groupsText, untilText } from './seasonText';
import { TodayCard } from './TodayCard';
import { todayInPieces } from './todayInPieces';
import { useDaysBefore } from './useDaysBefore';
import { useTick } from './useTick';
import { useNewSession } from '../data/useNewSession';
import { useSeasonData, type SeasonData } from './useSeasonData';
import { weekOf, type DayEntry } from './weekView';

const DAYS = [0, 1, 2, 3, 4, 5, 6];
/** A swipe goes at least this far across, and twice as far as up or down. */
const SWIPE_PX = 60;

type Touched = { nativeEvent: { changedTouches: { pageX: number; pageY: number }[] } };

/** Swiping across goes to the week before or after. */
function useSwipe(onSwipe: (way: 1 | -1) => void) {
  const start = useRef<{ x: number; y: number } | undefined>(undefined);
  return {
    onTouchStart: ({ nativeEvent }: Touched) => {
      const [touch] = nativeEvent.changedTouches;
      start.current = touch && { x: touch.pageX, y: touch.pageY };
    },
    onTouchEnd: ({ nativeEvent }: Touched) => {
      const [touch] = nativeEvent.changedTouches;
      const from = start.current;
      start.current = undefined;
      if (!from || !touch) return;
      const [across, down] = [touch.pageX - from.x, touch.pageY - from.y];
      if (Math.abs(across) >= SWIPE_PX && Math.abs(across) > 2 * Math.abs(down)) onSwipe(across < 0 ? 1 : -1);
    },
  };
}

/** `Mon 23 Nov to Sun 29 Nov`, with where each season is in it. */
function weekText(from: string): string {
  const [first, last] = [parseISO(from), parseISO(daysAfter(from, 6))];
  return `${format(first, 'd MMM')} to ${format(last, 'd MMM')}`;
}

function WhereWeAre({ seasons, today, from }: { seasons: readonly LaidSeason[]; today: string; from: string }) {
  return (
    <>
      {seasons.map((laid) => {
        const { season, weeks } = laid;
        const i = weeks.findIndex((week) => week.from <= daysAfter(from, 6) && daysAfter(week.from, 6) >= from);
        const week = weeks[i];
        const next = season.races.filter(({ date }) => date >= today).sort((a, b) => (a.date < b.date ? -1 : 1))[0];
        const where = week ? `week ${i + 1} of ${weeks.length}, ${week.phase}` : 'not in this week';
        const race = next ? ` · ${next.name} ${untilText(next.date, today)}` : '';
        return (
          <View key={laid.id} style={{ gap: 2 }}>
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
              <View style={{ flex: 1, minWidth: 0 }}>
                <Text as="strong">{season.name}</Text>
                <Text as="small" quiet>{`${where}${race}`}</Text>
              </View>
              <SmallButton label={`Open ${season.name}`} onPress={() => router.push(`/season/${laid.id}`)}>
                Season
              </SmallButton>
            </View>
            <SeasonStrip laid={laid} today={today} label={`${season.name}: ${where}${race}`} />
          </View>
        );
      })}
    </>
  );
}

/** Parts outside the first load, handed in by whoever renders it. */
type Parts = {
  parts: {
    DaySheet: ComponentType<ComponentProps<typeof DaySheet>>;
    SeasonBody: ComponentType<ComponentProps<typeof SeasonBody>>;
  };
};

function Week({ data, parts }: { data: SeasonData } & Parts) {
  const wide = useWide();
  const { today, groups } = data;
  const [seasons, earlier] = useMemo(() => {
    const isOver = ({ season }: LaidSeason) => isSeasonOver(season, today);
    return [data.seasons.filter((laid) => !isOver(laid)), data.seasons.filter(isOver).reverse()];
  }, [data.seasons, today]);
  const [first] = seasons;
  const thisWeek = weekOf(today, first?.season ?? data.squad.settings.club);
  const [from, setFrom] = useState(thisWeek);
  const [chosen, setChosen] = useState(() => seasons.map(({ id }) => id));
  const [opened, setOpened] = useState<{ key: string; date: string }>();
  const tick = useTick(seasons);
  const begin = useNewSession();
  const before = useDaysBefore(data, from);
  const swipe = useSwipe((way) => setFrom(daysAfter(from, 7 * way)));
  const shown = useMemo(() => seasons.filter(({ id }) => chosen.includes(id)), [seasons, chosen]);
  const days = useMemo(
    () => DAYS.map((i) => dayView(daysAfter(from, i), { ...data, ...before, seasons: shown })),
    [data, before, from, shown],
  );
  const groupsOf = ({ seasonIds }: DayEntry) => {
    // What is for all shown groups need not say so.
    if (seasonIds.length === 0 || seasonIds.length === seasons.length) return undefined;
    return seasons
      .filter(({ id }) => seasonIds.includes(id))
      .map(({ season }) => groupsText(season, groups))
      .join(', ');
  };
  const open = (entry: DayEntry, date: string) => {
    const [seasonId] = entry.seasonIds;
    const [race] = entry.races ?? [];
    if (race && seasonId !== undefined) return router.push(`/season/race/${seasonId}/${race.id}`);
    if (seasonId === undefined && entry.session)
      return router.push(entry.run ? `/results/${entry.run.id}` : `/sessions/${entry.session.id}`);
    setOpened({ key: entry.key, date });
  };
  const openView = opened && days.find(({ date }) => date === opened.date);
  const openEntry = openView?.entries.find(({ key }) => key === opened?.key);
  const openLaid = seasons.find(({ id }) => id === openEntry?.seasonIds[0]);
  const todayView = days.find(({ date }) => date === today);
  const others = days.filter(({ date }) => date !== today || !todayView);
  const week = (
    <View style={{ gap: SPACE.l }} {...swipe}>
      {seasons.length > 1 && (
        <Chips
          label="For"
          options={seasons.map(({ id, season }) => ({ value: id, text: groupsText(season, groups) }))}
          chosen={chosen}
          onChange={(next) => setChosen(next.length > 0 ? next : seasons.map(({ id }) => id))}
        />
      )}
      {todayView && (
        <TodayCard
          view={todayView}
          groupsOf={groupsOf}
          paceNames={data.paceNames}
          onTick={(entry) => void tick(entry, today)}
          onBegin={() => void begin(today)}
        />
      )}
      <View style={{ gap: SPACE.xs }}>
        <View style={{ flexDirection: 'row', alignItems: 'center' }}>
          <IconButton
            icon="previous"
            accessibilityLabel="The week before"
            onPress={() => setFrom(daysAfter(from, -7))}
            style={{ margin: 0, width: 44, height: 44 }}
          />
          <View style={{ flex: 1, alignItems: 'center' }}>
            <Text as="heading" level={2} live="polite">
              {from === thisWeek ? 'This week' : weekText(from)}
            </Text>
            {from === thisWeek && (
              <Text as="label" quiet>
                {weekText(from)}
              </Text>
            )}
          </View>
          <IconButton
            icon="next"
            accessibilityLabel="The week after"
            onPress={() => setFrom(daysAfter(from, 7))}
            style={{ margin: 0, width: 44, height: 44 }}
          />
        </View>
        {from !== thisWeek && (
          <View style={{ alignItems: 'center' }}>
            <SmallButton onPress={() => setFrom(thisWeek)}>Back to this week</SmallButton>
          </View>
        )}
        <View role="list" aria-label="Days">
          {others.map((view) => (
            <DayRows
              key={view.date}
              view={view}
              today={today}
              groupsOf={groupsOf}
              onOpen={open}
              onBegin={(date) => void begin(date)}
              onTick={(entry, date) => void tick(entry, date)}
            />
          ))}
        </View>
      </View>
      <Later>
        <DueList seasons={shown} data={data} />
      </Later>
      {!wide && <WhereWeAre seasons={shown} today={today} from={from} />}
      <ListPart
        title="Earlier seasons"
        rows={earlier.map(({ id, season }) => (
          <ListRow
            key={id}
            href={`/season/${id}`}
            title={season.name}
            detail={`${groupsText(season, groups)} · from ${dayInText(season.firstDay)}`}
          />
        ))}
      />
      {data.seasons.length > 0 && (
        <View style={{ flexDirection: 'row' }}>
          <PrimaryButton icon="plus" onPress={() => router.push('/season/new')}>
            Another season
          </PrimaryButton>
        </View>
      )}
    </View>
  );
  return (
    <>
      {wide ? (
        <View style={{ flexDirection: 'row', gap: SPACE.xl }}>
          <View style={{ width: 400 }}>{week}</View>
          <View style={{ flex: 1, minWidth: 0, gap: SPACE.xl }}>
            {shown.map((laid) => (
              <parts.SeasonBody key={laid.id} laid={laid} data={data} isShort />
            ))}
          </View>
        </View>
      ) : (
        week
      )}
      {opened && openEntry && openLaid && (
        <parts.DaySheet
          entry={openEntry}
          also={openView?.entries.filter(({ session, seasonIds }) => session && seasonIds.length === 0) ?? []}
          date={opened.date}
          laid={openLaid}
          athletes={data.athletes}
          close={() => setOpened(undefined)}
        />
      )}
    </>
  );
}

/** First steps without a season: people, tonight's session, then the weeks up to a race. */
function First({ hasAthletes, today: date }: { hasAthletes: boolean; today: string }) {
  const begin = useNewSession();
  return (
    <View style={{ gap: SPACE.s }}>
      {!hasAthletes && (
        <PrimaryButton main icon="plus" onPress={() => router.push('/squad')}>
          Add the squad
        </PrimaryButton>
      )}
      <PrimaryButton main={hasAthletes} onPress={() => void begin(date)}>
        Write tonight’s session
      </PrimaryButton>
      <PrimaryButton onPress={() => router.push('/season/new')}>Lay out a season</PrimaryButton>
    </View>
  );
}

/** The app's first screen: what is on today, what is due, and the days around. */
export function ThisWeek({ parts }: Parts) {
  const wide = useWide();
  const { data: now, error, retry } = useSeasonData();
  const data = useWorkedOut(now, todayInPieces) ? now : undefined;
  // What is here is shown, even where it could not be asked for once more.
  const trouble = now ? undefined : error;
  useFirstPictureUntil(data !== undefined || trouble !== undefined);
  const hasSeason = data !== undefined && data.seasons.length > 0;
  return (
    <Page
      title="Season"
      subtitle={format(parseISO(data?.today ?? today()), 'EEEE d MMMM')}
      aside={wide ? undefined : <SettingsLink />}
      {...(data && !hasSeason ? { footer: <First hasAthletes={data.athletes.length > 0} today={data.today} /> } : {})}
    >
      {!data && (trouble ? <Trouble retry={retry}>{troubleText(trouble)}</Trouble> : <Loading />)}
      {data && !hasSeason && (
        <Empty title={data.athletes.length > 0 ? 'What is on tonight?' : 'Who is in the squad?'}>
          {data.athletes.length > 0
            ? 'Write the session as you would on a whiteboard: everyone gets their own times. With the day of a race the weeks up to it can be laid out too.'
            : 'Add the athletes, each with one race or trial, or paste the list you have. Then write tonight’s session; the season can wait.'}
        </Empty>
      )}
      {/* Another day begins with its own week. */}
      {data && <Week key={data.today} data={data} parts={parts} />}
    </Page>
  );
}
