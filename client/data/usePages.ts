import { useMemo } from 'react';
import type { Page } from '@core/api/answers';
import type { More } from '../ui/MoreRows';

/** What of a query in pages is used here. */
type Paged<T> = {
  data?: { pages: Page<T>[] } | undefined;
  hasNextPage: boolean;
  isFetchingNextPage: boolean;
  isFetchNextPageError: boolean;
  fetchNextPage: () => unknown;
};

/** The rows of all pages that are here, undefined before the first; and how to get the next. */
export function usePages<T>(query: Paged<T>): { rows: T[] | undefined; more: More | undefined } {
  const { data, hasNextPage, isFetchingNextPage, isFetchNextPageError, fetchNextPage } = query;
  const rows = useMemo(() => data?.pages.flatMap((page) => page.rows), [data]);
  const more = useMemo(
    (): More | undefined =>
      hasNextPage
        ? { fetch: () => void fetchNextPage(), isFetching: isFetchingNextPage, hasFailed: isFetchNextPageError }
        : undefined,
    [hasNextPage, isFetchingNextPage, isFetchNextPageError, fetchNextPage],
  );
  return { rows, more };
}
