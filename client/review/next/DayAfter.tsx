import { useState } from 'react';
import { View } from 'react-native';
import { Divider } from 'react-native-paper';
import { putOff } from '@core/season/changes';
import { daysOf } from '@core/season/season';
import { INTENT_FACTS } from '@core/session/intent';
import { NEXT_DAYS, type NextDay } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { daysAfter } from '@core/units/dayNumber';
import { useSeasonEdit } from '../../data/useSeasonEdit';
import { useSeasons, type LaidSeason } from '../../data/useSeasons';
import type { ReadRun } from '../useReview';
import type { ScheduledSession } from '@core/api/answers';
import { troubleText, usePutSessionMutation, useSessionsOnQuery } from '../../store/api';
import { dayInText, onDay, today } from '../../ui/days';
import { ModalSheet } from '../../ui/ModalSheet';
import { useNotice } from '../../ui/Notices';
import { Segments } from '../../ui/Segments';
import { TextButton } from '../../ui/TextButton';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';
import { easyDayText, LEGS_WORDS } from './nextText';

const LEGS = { values: NEXT_DAYS, words: LEGS_WORDS };

/** How soon after a session the next hard one is too soon for heavy legs. */
const SOON_DAYS = 2;

/** Still to come, and too soon after what was run. */
const isSoonAfter = (ranOn: string, date: string) =>
  date > ranOn && date >= today() && date <= daysAfter(ranOn, SOON_DAYS);

/** A hard session that comes too soon, with one tap that moves it on by a day. */
function TooSoon({ session }: { session: ScheduledSession }) {
  const [put] = usePutSessionMutation();
  const notice = useNotice();
  const to = daysAfter(session.date, 1);
  const move = () =>
    void put({ ...session, date: to }).then(({ error }) =>
      notice(
        error
          ? { text: troubleText(error) }
          : { text: `“${session.title}” is ${onDay(to)} now.`, undo: () => put(session) },
      ),
    );
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s }}>
      <Text as="small" style={{ flexGrow: 1, flexShrink: 1, flexBasis: 180 }}>
        {`“${session.title}” is ${onDay(session.date)}.`}
      </Text>
      <TextButton onPress={move}>{`Move it to ${dayInText(to)}`}</TextButton>
    </View>
  );
}

/** A hard day that is only laid out, and comes too soon: the season puts it off, or makes it easy, at the coach's word. */
function LaidTooSoon({ laid, date }: { laid: LaidSeason; date: string }) {
  const edit = useSeasonEdit(laid);
  const change = putOff(laid.weeks, date);
  if (!change) return null;
  const { threads, name } = laid.season;
  const day = daysOf(laid.weeks).find((day) => day.date === date);
  const title = threads.find(({ id }) => id === day?.thread?.id)?.name ?? 'The hard day';
  const to = change.kind === 'swap' ? change.to : undefined;
  const text = to === undefined ? `${name}: ${dayInText(date)} is easy now.` : `“${title}” is ${onDay(to)} now.`;
  const { proposed } = edit;
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s }}>
      <Text as="small" style={{ flexGrow: 1, flexShrink: 1, flexBasis: 180 }}>
        {proposed ? proposed.difference.text : `“${title}” is laid out for ${dayInText(date)}.`}
      </Text>
      {proposed ? (
        <>
          <TextButton onPress={edit.take}>Take it</TextButton>
          <TextButton onPress={edit.leave}>Leave it</TextButton>
        </>
      ) : (
        <TextButton onPress={() => edit.change(change, text)}>
          {to === undefined ? 'Make it an easy day' : `Move it to ${dayInText(to)}`}
        </TextButton>
      )}
    </View>
  );
}

/** Hard days of the seasons this session was for that are laid out too soon after it; none where their school keeps them. */
function laidTooSoon(seasons: readonly LaidSeason[], { sessionId, date }: Plan) {
  return seasons.flatMap((laid) => {
    const { schools, fixed } = laid.season;
    if (schools.keepsAfterHeavy || !fixed.some((day) => day.sessionId === sessionId)) return [];
    const soon = daysOf(laid.weeks).find(
      (day) => day.kind === 'hard' && day.sessionId === undefined && isSoonAfter(date, day.date),
    );
    return soon ? [{ laid, date: soon.date }] : [];
  });
}

type Props = { read: ReadRun; athletes: readonly { athleteId: string; name: string }[] };

/** How the legs were the day after: one tap for all, or for each; heavy or sore ones ask for another easy day. */
export function DayAfter({ read, athletes }: Props) {
  const [isOpen, setOpen] = useState(false);
  const { plan, state, correct } = read;
  const { data: sessions = [] } = useSessionsOnQuery({ from: plan.date, to: daysAfter(plan.date, SOON_DAYS) });
  const { seasons = [] } = useSeasons();
  const legsOf = (athleteId: string) => state.athletes[athleteId]?.nextDay;
  const say = (athleteIds: string[], legs: NextDay) => correct({ type: 'nextDay', athleteIds, legs });
  const all = athletes.map(({ athleteId }) => athleteId);
  const told = new Set(all.map(legsOf));
  const [only] = told;
  const tired = athletes.filter(({ athleteId }) => ['heavy', 'sore'].includes(legsOf(athleteId) ?? ''));
  const easyDay = easyDayText(tired.map(({ name }) => name));
  const soon = sessions.find(
    ({ date, intent }) => isSoonAfter(plan.date, date) && (intent === undefined || INTENT_FACTS[intent].isHard),
  );
  return (
    <View role="region" aria-label="The day after" style={{ gap: SPACE.xs }}>
      <Text as="heading" level={2}>
        The day after
      </Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s }}>
        <Text style={{ flexGrow: 1, flexShrink: 1, flexBasis: 100 }}>How are the legs?</Text>
        <Segments {...LEGS} who="All" value={told.size === 1 ? only : undefined} onChange={(legs) => say(all, legs)} />
      </View>
      <View style={{ alignItems: 'flex-start' }}>
        <TextButton onPress={() => setOpen(true)}>One by one</TextButton>
      </View>
      {easyDay !== undefined && <Text>{easyDay}</Text>}
      {easyDay !== undefined && soon && <TooSoon session={soon} />}
      {easyDay !== undefined &&
        laidTooSoon(seasons, plan).map(({ laid, date }) => <LaidTooSoon key={laid.id} laid={laid} date={date} />)}
      {isOpen && (
        <ModalSheet title="How are the legs, the day after?" close={() => setOpen(false)}>
          <View role="list">
            {athletes.map(({ athleteId, name }) => (
              <View role="listitem" key={athleteId}>
                <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s, paddingVertical: SPACE.xs }}>
                  <Text as="strong" style={{ flex: 1 }}>
                    {name}
                  </Text>
                  <Segments
                    {...LEGS}
                    who={name}
                    value={legsOf(athleteId)}
                    onChange={(legs) => say([athleteId], legs)}
                  />
                </View>
                <Divider />
              </View>
            ))}
          </View>
        </ModalSheet>
      )}
    </View>
  );
}
