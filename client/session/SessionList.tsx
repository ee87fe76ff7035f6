import { usePathname } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import type { ListedSession } from '@core/api/answers';
import { useNewSession } from '../data/useNewSession';
import { usePages } from '../data/usePages';
import { troubleText, useSessionsBeforeInfiniteQuery, useSessionsOnQuery } from '../store/api';
import { LongList } from '../ui/LongList';
import { useToday } from '../ui/useToday';
import { Empty } from '../ui/Empty';
import { Icon } from '../ui/icons/Icon';
import { ListRow } from '../ui/ListRow';
import { Loading } from '../ui/Loading';
import { SettingsLink } from '../parts/SettingsLink';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { SPACE, usePalette } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { useWide } from '../ui/useWide';
import { SessionRow } from '../parts/SessionRow';

/** All sessions by date: what is coming first, then what was. */
export function SessionList() {
  const today = useToday();
  const { data: latest, error: latestError, refetch: refetchLatest } = useSessionsOnQuery({ from: today });
  const before = useSessionsBeforeInfiniteQuery(today);
  const { rows: past, more } = usePages(before);
  const error = latestError ?? (past ? undefined : before.error);
  const path = usePathname();
  const wide = useWide();
  const palette = usePalette();
  const begin = useNewSession();
  const add = () => begin(today);
  const coming = useMemo(() => latest && [...latest].reverse(), [latest]);
  const keyOf = ({ id }: ListedSession) => id;
  const row = (session: ListedSession) => {
    const href = `/sessions/${session.id}`;
    return <SessionRow session={session} href={href} chosen={path === href} />;
  };
  const refetch = () => {
    void refetchLatest();
    void before.refetch();
  };
  return (
    <Page
      title="Sessions"
      aside={wide ? undefined : <SettingsLink />}
      footer={
        <PrimaryButton main icon="plus" onPress={() => void add()}>
          New session
        </PrimaryButton>
      }
    >
      <View role="list" style={{ marginHorizontal: -SPACE.l }}>
        <View role="listitem">
          <ListRow
            href="/sessions/library"
            title="Library"
            detail="Your own sessions to use again, and some to start from"
            aside={<Icon name="book" color={palette.ink} size={28} />}
          />
        </View>
      </View>
      {error ? <Trouble retry={refetch}>{troubleText(error)}</Trouble> : !(coming && past) && <Loading />}
      {coming?.length === 0 && past?.length === 0 && (
        <Empty title="No session yet">
          Write the first one as you would on a whiteboard, like 6x400 @5k / 90s. Everyone’s times come by themselves.
        </Empty>
      )}
      <LongList title="Today and to come" rows={coming ?? []} keyOf={keyOf} row={row} />
      <LongList title="Earlier" rows={past ?? []} keyOf={keyOf} row={row} more={more} />
    </Page>
  );
}
