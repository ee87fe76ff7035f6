import { useSyncExternalStore } from 'react';
import type { Happening } from '@core/run/events';
import type { LiveProposal } from '@core/trackside/proposals';
import type { Source } from '../../store/source';
import { AthleteSheet } from '../sheets/AthleteSheet';
import { EffortsSheet } from '../sheets/EffortsSheet';
import { EndSheet } from '../sheets/EndSheet';
import { HistorySheet } from '../sheets/HistorySheet';
import { KeysSheet } from '../sheets/KeysSheet';
import { MoreSheet } from '../sheets/MoreSheet';
import { NamesSheet } from '../sheets/NamesSheet';
import { PeopleSheet } from '../sheets/PeopleSheet';
import { ProposalSheet } from '../sheets/ProposalSheet';
import { StillOutSheet } from '../sheets/StillOutSheet';
import { StopSheet } from '../sheets/StopSheet';
import { SecondPhoneSheet } from '../sheets/SecondPhoneSheet';
import type { Run } from '../../log/useRun';
import { NotTakenPart } from '../../parts/NotTakenPart';
import { Sheet } from '../sheets/Sheet';
import { toAsk } from './info';
import { inOrder } from './order';
import { shownIds, type Shown } from './steps';

/** What lies over the tiles. */
export type Open =
  | { kind: 'athlete'; athleteId: string }
  | { kind: 'why'; proposal: LiveProposal }
  | { kind: 'stillOut'; starts: readonly (Happening & { type: 'started' })[] }
  | { kind: 'names' | 'stop' | 'history' | 'more' | 'keys' | 'people' | 'phone' | 'end' | 'efforts' | 'notTaken' };

type Props = {
  runs: Source<Run>;
  open: Open;
  show: (open: Open | undefined) => void;
  close: () => void;
  choice: Shown;
  awake: Parameters<typeof MoreSheet>[0]['awake'];
  /** The session ends by itself when nobody is on the way any more. */
  endWhenIn: () => void;
};

/** A sheet over the tiles. It renders with every change: what is pressed on it must mean what it says. */
export function OpenSheet({ runs, open, show, close, choice, awake, endWhenIn }: Props) {
  const run = useSyncExternalStore(runs.subscribe, runs.getSnapshot);
  const shown = shownIds(run.state, choice, run.device);
  const showAthlete = (athleteId: string) => show({ kind: 'athlete', athleteId });
  switch (open.kind) {
    case 'athlete': {
      const { athleteId } = open;
      const next = () => {
        const other = toAsk(run.state, shown, run.now()).find((id) => id !== athleteId);
        show(other === undefined ? undefined : { kind: 'athlete', athleteId: other });
      };
      return <AthleteSheet key={athleteId} run={run} athleteId={athleteId} close={close} next={next} />;
    }
    case 'why':
      return <ProposalSheet run={run} proposal={open.proposal} close={close} />;
    case 'names':
      return <NamesSheet run={run} close={close} />;
    case 'history':
      return <HistorySheet run={run} close={close} open={showAthlete} />;
    case 'people':
      return <PeopleSheet run={run} close={close} open={showAthlete} />;
    case 'phone':
      return <SecondPhoneSheet run={run} close={close} />;
    case 'end':
      return <EndSheet run={run} close={close} endWhenIn={endWhenIn} />;
    case 'notTaken':
      return (
        <Sheet title="Not taken by the server" close={close}>
          <NotTakenPart isOpen />
        </Sheet>
      );
    case 'stillOut':
      return <StillOutSheet run={run} starts={open.starts} close={close} />;
    case 'stop':
      return <StopSheet run={run} shown={shown} close={close} open={showAthlete} />;
    case 'efforts':
      return <EffortsSheet run={run} close={close} />;
    case 'keys':
      return <KeysSheet athletes={inOrder(run.state, shown)} close={close} />;
    case 'more':
      return <MoreSheet run={run} awake={awake} close={close} open={(kind) => show({ kind })} />;
  }
}
