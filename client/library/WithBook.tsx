import { router } from 'expo-router';
import type { ReactNode } from 'react';
import { useSquad, type SquadView } from '../data/useSquad';
import { troubleText } from '../store/api';
import { Loading } from '../ui/Loading';
import { Page } from '../ui/Page';
import { Trouble } from '../ui/Trouble';
import { useBook, type BookView } from '../data/useBook';

export const backToBook = () => router.replace('/sessions/book');

type Props = { title: string; children: (book: BookView, squad: SquadView) => ReactNode };

/** The book and the squad, once both are there; until then what is being waited for, or what failed. */
export function WithBook({ title, children }: Props) {
  const { book, error, retry } = useBook();
  const { squad, error: squadError, retry: retrySquad } = useSquad();
  if (book && squad) return children(book, squad);
  const failed = error ?? squadError;
  const again = () => {
    retry();
    retrySquad();
  };
  return (
    <Page title={title} onBack={backToBook} backLabel="Back to the book">
      {failed ? <Trouble retry={again}>{troubleText(failed)}</Trouble> : <Loading />}
    </Page>
  );
}
