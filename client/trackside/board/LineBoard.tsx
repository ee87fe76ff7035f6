import { router } from 'expo-router';
import { Empty } from '../../ui/Empty';
import { Loading } from '../../ui/Loading';
import { Page } from '../../ui/Page';
import { useRun } from '../../log/useRun';
import { Board } from './Board';

/** A session at the track, by its id. */
export function LineBoard({ runId }: { runId: string }) {
  const run = useRun(runId);
  const back = () => router.replace('/track');
  if (typeof run === 'object')
    return <Board key={runId} runs={run} onResults={() => router.replace(`/results/${runId}`)} onLeave={back} />;
  return (
    <Page title="Track" onBack={back} backLabel="Back to the track">
      {run === 'loading' ? (
        <Loading />
      ) : (
        <Empty title="Not found" action={{ label: 'Go to the track', onPress: back }}>
          Neither this phone nor the server has a session at this address.
        </Empty>
      )}
    </Page>
  );
}
