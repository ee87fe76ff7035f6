import { useEffect, useState, type ComponentType } from 'react';
import { nowAndWhenOnline } from './whenOnline';
import { Loading } from './Loading';
import { Page } from './Page';
import { Trouble } from './Trouble';

type Code = 'wanted' | 'here' | 'failed';

const fetchers: (() => Promise<void>)[] = [];

/** Code that comes after that of the first screen: fetched with the later screens, or at once where it is asked for. */
export function laterCode<T>(load: () => Promise<T>): { here: () => T | undefined; fetch: () => Promise<void> } {
  let code: T | undefined;
  const fetchCode = async () => {
    code ??= await load();
  };
  fetchers.push(fetchCode);
  return { here: () => code, fetch: fetchCode };
}

/** Something whose code comes after that of the first screen. @param Failed shown where its code cannot be fetched. */
export function lazyPart<P extends object>(
  load: () => Promise<ComponentType<P>>,
  Waiting: ComponentType,
  Failed: ComponentType<{ retry: () => void }>,
): ComponentType<P> {
  const { here, fetch: fetchCode } = laterCode(load);
  return function LazyPart(props: P) {
    const Part = here();
    const [code, setCode] = useState<Code>(Part ? 'here' : 'wanted');
    useEffect(() => {
      if (code !== 'wanted') return;
      let open = true;
      const now = (what: Code) => open && setCode(what);
      void fetchCode().then(
        () => now('here'),
        () => now('failed'),
      );
      return () => {
        open = false;
      };
    }, [code]);
    if (Part) return <Part {...props} />;
    return code === 'wanted' ? <Waiting /> : <Failed retry={() => setCode('wanted')} />;
  };
}

const NotHereYet = ({ retry }: { retry: () => void }) => (
  <Page title="Not here yet">
    <Trouble retry={retry}>
      This screen has to be fetched once, and the server cannot be reached. Everything you wrote and timed is kept;
      check that the server is running and try again.
    </Trouble>
  </Page>
);

/**
 * A screen whose code comes after that of the first one, so that the first is there sooner. If its code cannot be fetched it
 * says so, and can be tried again.
 */
export const lazyScreen = <P extends object>(load: () => Promise<ComponentType<P>>): ComponentType<P> =>
  lazyPart(load, Loading, NotHereYet);

/**
 * Fetches the screens that are not here yet, one after the other, now and whenever the network comes back: at the track there
 * may be none. @returns what stops it.
 */
export function startFetchingScreens(): () => void {
  return nowAndWhenOnline(async () => {
    // What fails now is tried again when it is opened.
    for (const fetchCode of fetchers) await fetchCode().catch(() => undefined);
  });
}
