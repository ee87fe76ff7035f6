import { router, usePathname } from 'expo-router';
import { View } from 'react-native';
import { ulid } from 'ulid';
import type { ScheduledSession } from '@core/api/answers';
import { troubleText, usePutSessionMutation, useRemoveSessionMutation, useSessionsQuery } from '../store/api';
import { today } from '../ui/days';
import { Empty } from '../ui/Empty';
import { Icon } from '../ui/icons/Icon';
import { ListPart } from '../ui/ListPart';
import { ListRow } from '../ui/ListRow';
import { Loading } from '../ui/Loading';
import { LookSwitch } from '../parts/LookSwitch';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { SPACE, usePalette } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { useNotice } from '../ui/Notices';
import { useWide } from '../ui/useWide';
import { SessionRow } from '../parts/SessionRow';

/** All sessions by date: what is coming first, then what was. */
export function SessionList() {
  const { data: sessions, error, refetch } = useSessionsQuery();
  const [put] = usePutSessionMutation();
  const [remove] = useRemoveSessionMutation();
  const notice = useNotice();
  const path = usePathname();
  const wide = useWide();
  const palette = usePalette();
  const add = async () => {
    const session = { id: ulid(), title: 'New session', date: today(), shorthand: '' };
    const added = await put(session);
    if (added.error) return notice({ text: troubleText(added.error) });
    router.push(`/sessions/${session.id}`);
    notice({
      text: 'A new session for today.',
      undo: () => {
        router.replace('/sessions');
        return remove(session.id);
      },
    });
  };
  const coming = (sessions ?? []).filter((session) => session.date >= today()).reverse();
  const past = (sessions ?? []).filter((session) => session.date < today());
  const row = (session: ScheduledSession) => {
    const href = `/sessions/${session.id}`;
    return <SessionRow key={session.id} session={session} href={href} chosen={path === href} />;
  };
  return (
    <Page
      title="Sessions"
      aside={wide ? undefined : <LookSwitch />}
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
      {error ? <Trouble retry={() => void refetch()}>{troubleText(error)}</Trouble> : !sessions && <Loading />}
      {sessions?.length === 0 && (
        <Empty title="No session yet">
          Write the first one as you would on a whiteboard, like 6x400 @5k / 90s. Everyone’s times come by themselves.
        </Empty>
      )}
      <ListPart title="Today and to come" rows={coming.map(row)} />
      <ListPart title="Earlier" rows={past.map(row)} />
    </Page>
  );
}
