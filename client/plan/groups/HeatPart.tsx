import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { mainItem } from '@core/library/progression';
import { changeOf } from '@core/planning/changes';
import { timesOf } from '@core/session/lengths';
import { itemAt, itemsAt, type ItemPath } from '@core/session/edit';
import type { SessionTree } from '@core/session/session';
import { feltC, USUAL_HEAT_LIMITS, type Weather } from '@core/squad/heat';
import { api, usePutSessionMutation } from '../../store/api';
import { store } from '../../store/store';
import type { Planning } from '../../data/usePlanning';
import { useNotice } from '../../ui/Notices';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';

/** Hours of the day that are looked at: nobody trains before or after. */
const HOURS = ['07:00', '08:00', '09:00', '10:00', '11:00', '16:00', '17:00', '18:00', '19:00', '20:00', '21:00'];
const COOLER = { hours: 2, byC: 2 };
const SLOWER = 0.98;
const FEWER = 2;
const USUAL_TIME = '17:00';

type Hour = { time: string; felt: number };

/** The forecast's coolest hours of the day, if cooler than the hour planned. */
function useCoolerHours(date: string, time: string, felt: number | undefined): readonly Hour[] {
  const [found, setFound] = useState<{ key: string; hours: Hour[] }>();
  const key = `${date} ${time} ${felt}`;
  useEffect(() => {
    if (felt === undefined) return undefined;
    let isOver = false;
    const asked = HOURS.map((hour) => ({
      hour,
      query: store.dispatch(api.endpoints.weather.initiate({ date, time: hour })),
    }));
    void Promise.all(
      asked.map(async ({ hour, query }): Promise<Hour[]> => {
        const { data } = await query;
        return data ? [{ time: hour, felt: feltC(data) }] : [];
      }),
    ).then((lists) => {
      if (isOver) return;
      const cooler = lists
        .flat()
        .filter((hour) => hour.felt <= felt - COOLER.byC)
        .sort((a, b) => a.felt - b.felt)
        .slice(0, COOLER.hours);
      setFound({ key, hours: cooler.sort((a, b) => a.time.localeCompare(b.time)) });
    });
    return () => {
      isOver = true;
      for (const { query } of asked) query.unsubscribe();
    };
  }, [date, time, felt, key]);
  return found?.key === key ? found.hours : [];
}

/** Every rep item of the main part, those within sets too. */
function repPaths(tree: SessionTree): ItemPath[] {
  const within = (path: ItemPath): ItemPath[] => {
    const body = itemAt(tree, path)?.body;
    if (body?.kind !== 'set') return body?.kind === 'rep' && body.pace ? [path] : [];
    return itemsAt(tree, path).flatMap((_, i) => within([...path, i]));
  };
  return tree.lines.flatMap(({ role, items }, i) => (role === 'main' ? items.flatMap((_, j) => within([i, j])) : []));
}

/** On a hot day: cooler hours, all slower, or fewer reps, in one tap each. */
export function HeatPart({ planning }: { planning: Planning }) {
  const { session, squad, tree, weather, change } = planning;
  const limits = squad.settings.heat ?? USUAL_HEAT_LIMITS;
  const felt = feltOf(weather, limits.careC);
  const hours = useCoolerHours(session.date, session.startTime ?? USUAL_TIME, felt);
  const [put] = usePutSessionMutation();
  const notice = useNotice();
  if (felt === undefined) return null;
  const moveTo = (time: string) =>
    void put({ ...session, startTime: time }).then(({ error }) =>
      notice({
        text: error ? 'The time could not be changed.' : `It starts at ${time} now.`,
        ...(error ? {} : { undo: () => put(session) }),
      }),
    );
  const all = { kind: 'all' } as const;
  const path = mainItem(tree, 'like');
  const item = path && itemAt(tree, path);
  const n = item && item.count.kind !== 'open' ? timesOf(item.count, 'max') : 0;
  return (
    <View role="group" aria-label="On a hot day" style={{ gap: SPACE.xs }}>
      {hours.length > 0 && (
        <Text as="small">{`Cooler: ${hours.map(({ time, felt: then }) => `${time} feels like ${Math.round(then)} °C`).join(', ')}.`}</Text>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {hours.map(({ time }) => (
          <SmallButton key={time} onPress={() => moveTo(time)}>{`Start at ${time}`}</SmallButton>
        ))}
        <SmallButton
          onPress={() =>
            change(
              repPaths(tree).map((rep) => changeOf(tree, rep, all, { kind: 'pace', share: SLOWER })),
              'All are 2 % slower.',
            )
          }
        >
          All 2 % slower
        </SmallButton>
        {path && n > FEWER + 1 && (
          <SmallButton
            onPress={() => change([changeOf(tree, path, all, { kind: 'count', n: n - FEWER })], 'Two reps fewer.')}
          >
            Two reps fewer
          </SmallButton>
        )}
      </View>
    </View>
  );
}

function feltOf(weather: Weather | undefined, careC: number): number | undefined {
  const felt = weather && feltC(weather);
  return felt !== undefined && felt >= careC ? felt : undefined;
}
