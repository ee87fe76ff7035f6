import type { ReactNode } from 'react';
import { useSquadOn } from '../data/useSeasons';
import { useSquad, type SquadView } from '../data/useSquad';
import type { ScheduledSession } from '@core/api/answers';
import { isMissing, troubleText, useSessionQuery } from '../store/api';
import { NotThere } from '../ui/NotThere';
import { Loading } from '../ui/Loading';
import { Page } from '../ui/Page';
import { Trouble } from '../ui/Trouble';

type Props = {
  id: string;
  /** The page's title while there is no session to show, and where its way back leads: `the track`. */
  title: string;
  backTo: string;
  back: () => void;
  children: (session: ScheduledSession, squad: SquadView) => ReactNode;
};

/** A session and the squad as it is on that day, once both are there; until then what is being waited for, what failed, or that it is missing. */
export function WithSession({ id, title, backTo, back, children }: Props) {
  const { currentData: session, error: sessionError, refetch } = useSessionQuery(id);
  const { squad, error: squadError, retry: retrySquad } = useSquad();
  const squadThen = useSquadOn(squad, session?.date);
  const isGone = isMissing(sessionError);
  if (session && squadThen && !isGone) return children(session, squadThen);
  const error = isGone ? undefined : (sessionError ?? squadError);
  const retry = () => {
    void refetch();
    retrySquad();
  };
  return (
    <Page title={title} onBack={back} backLabel={`Back to ${backTo}`}>
      {error ? <Trouble retry={retry}>{troubleText(error)}</Trouble> : !isGone && <Loading />}
      {isGone && <NotThere what="session" goTo={backTo} onGo={back} />}
    </Page>
  );
}
