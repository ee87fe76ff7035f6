import { router } from 'expo-router';
import type { ReactNode } from 'react';
import { useSquad, type SquadView } from '../data/useSquad';
import { troubleText } from '../store/api';
import { Loading } from '../ui/Loading';
import { Page } from '../ui/Page';
import { Trouble } from '../ui/Trouble';
import { useLibrary, type LibraryView } from '../data/useLibrary';

export const backToLibrary = () => router.replace('/sessions/library');

type Props = { title: string; children: (library: LibraryView, squad: SquadView) => ReactNode };

/** The library and the squad, once both are there; until then what is being waited for, or what failed. */
export function WithLibrary({ title, children }: Props) {
  const { library, error, retry } = useLibrary();
  const { squad, error: squadError, retry: retrySquad } = useSquad();
  if (library && squad) return children(library, squad);
  const failed = error ?? squadError;
  const again = () => {
    retry();
    retrySquad();
  };
  return (
    <Page title={title} onBack={backToLibrary} backLabel="Back to the library">
      {failed ? <Trouble retry={again}>{troubleText(failed)}</Trouble> : <Loading />}
    </Page>
  );
}
