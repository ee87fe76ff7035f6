import { useEffect } from 'react';
import type { Access } from '@core/api/answers';
import { useAccessQuery } from '../../store/api';

const KEY = 'zest-lap-who';

function remembered(): Access['who'] | undefined {
  try {
    const who = localStorage.getItem(KEY);
    return who === 'coach' || who === 'helper' ? who : undefined;
  } catch {
    return undefined;
  }
}

/** Who asked for the page, as the server wrote into it; undefined for the page that this phone keeps. */
function saidByPage(): Access['who'] | undefined {
  const { who } = document.documentElement.dataset;
  return who === 'coach' || who === 'helper' || who === 'nobody' ? who : undefined;
}

/** Who this phone is, before the server is asked: as the page says, or as the last time. */
export const whoAtStart = (): Access['who'] | undefined => saidByPage() ?? remembered();

/**
 * Who this phone is to the server; until it answers, who it was for the page, or the last time. Undefined while unknown: nothing is
 * requested that may be refused. Without the server, what this phone keeps can be used all the same.
 */
export function useWho(): Access['who'] | undefined {
  const { data, isError } = useAccessQuery();
  const who = data?.who;
  useEffect(() => {
    try {
      if (who !== undefined) localStorage.setItem(KEY, who);
    } catch {
      // It is asked again the next time.
    }
  }, [who]);
  return who ?? (isError ? 'coach' : whoAtStart());
}
