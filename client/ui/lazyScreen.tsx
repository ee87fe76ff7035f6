import { useEffect, useState, type ComponentType } from 'react';
import { inPieces } from './inPieces';
import { nowAndWhenOnline } from './whenOnline';
import { Loading } from './Loading';
import { Page } from './Page';
import { Trouble } from './Trouble';

type Stage = 'wanted' | 'here' | 'failed';

/** The files that are fetched ahead, by what fetches them; undefined where not yet here. */
const files = new Map<() => Promise<unknown>, unknown>();
/** Each runs some code of those files, once they are here. */
const codes: (() => unknown)[] = [];

async function fetchFile(load: () => Promise<unknown>): Promise<void> {
  if (files.get(load) === undefined) files.set(load, await load());
}

/**
 * Code that comes after that of the first screen: its file is fetched with those of the later screens, or at once where it is asked for.
 * @param pick what of the file: run when it is first asked for, or after the first screen, piece by piece.
 */
export function laterCode<Module, Code>(
  load: () => Promise<Module>,
  pick: (module: Module) => Code,
): { here: () => Code | undefined; fetch: () => Promise<void> } {
  if (!files.has(load)) files.set(load, undefined);
  const here = () => {
    const module = files.get(load) as Module | undefined;
    return module && pick(module);
  };
  codes.push(here);
  return { here, fetch: () => fetchFile(load) };
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
export function lazyScreen<Module, P extends object>(
  load: () => Promise<Module>,
  pick: (module: Module) => ComponentType<P>,
): ComponentType<P> {
  const { here, fetch: fetchCode } = laterCode(load, pick);
  return function LazyScreen(props: P) {
    const Screen = here();
    const [stage, setStage] = useState<Stage>(Screen ? 'here' : 'wanted');
    useEffect(() => {
      if (stage !== 'wanted') return;
      let open = true;
      const now = (what: Stage) => open && setStage(what);
      void fetchCode().then(
        () => now('here'),
        () => now('failed'),
      );
      return () => {
        open = false;
      };
    }, [stage]);
    if (Screen) return <Screen {...props} />;
    return stage === 'wanted' ? <Loading /> : <NotHereYet retry={() => setStage('wanted')} />;
  };
}

/**
 * Fetches the screens that are not here yet, one after the other, and runs their code, now and whenever the network comes back: at the
 * track there may be none. @returns what stops it.
 */
export function startFetchingScreens(): () => void {
  return nowAndWhenOnline(async () => {
    // What fails now is tried again when it is opened.
    for (const load of files.keys()) await fetchFile(load).catch(() => undefined);
    await inPieces(codes);
  });
}
