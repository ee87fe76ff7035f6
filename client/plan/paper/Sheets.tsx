import { legsOfRun, type GroupRun } from '@core/planning/groupTargets';
import { cardLines, passesText, targetText, timesText } from '@core/planning/card';
import { targetTables } from '@core/planning/runPlans';
import { formatSession } from '@core/session/formatSession';
import { drawingOf } from '../../data/sessionView';
import { LapSheet } from '../../ui/lapSheet/LapSheet';
import { PAPER_PX } from '../../ui/Printed';
import type { Planning } from '../../data/usePlanning';
import { Boxes } from './Boxes';
import { OnePage } from './OnePage';
import { whenText } from './sheets';
import { SHEET_STYLE } from './sheetStyle';

export type SheetProps = { planning: Planning; everyM: number; isLandscape: boolean };

function Heading({ planning, more = '' }: { planning: Planning; more?: string }) {
  return (
    <header>
      <h1>{planning.session.title}</h1>
      <p>{`${whenText(planning)}${more}`}</p>
    </header>
  );
}

/** A group's shared times with those at the marks, and its recoveries. */
function GroupTimes({ planning, run, everyM }: { planning: Planning; run: GroupRun; everyM: number }) {
  const { venue, rounding } = planning;
  return (
    <table className="marks">
      <tbody>
        {cardLines(legsOfRun(run), venue, everyM).map((line, i) => (
          <tr key={i}>
            <td style={{ width: 150 }}>{timesText(line)}</td>
            <td style={{ width: 90, fontWeight: 700 }}>{targetText(line, rounding)}</td>
            <td style={{ textAlign: 'left' }}>
              {[
                passesText(line.passes, rounding),
                line.start === undefined ? '' : `from ${line.start}`,
                line.note ?? '',
              ]
                .filter(Boolean)
                .join('; ')}
            </td>
            <td style={{ width: 150 }}>
              {[line.recovery, line.then === undefined ? undefined : `then ${line.then}`].filter(Boolean).join(', ')}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A drawing is set smaller than on the screen. */
const DRAWING_ZOOM = 0.75;

function Drawing({ planning, run, isLandscape }: { planning: Planning; run: GroupRun; isLandscape: boolean }) {
  return (
    <div className="drawing" style={{ zoom: DRAWING_ZOOM }}>
      <LapSheet
        {...drawingOf(legsOfRun(run), planning.venue)}
        paperPx={PAPER_PX[isLandscape ? 'landscape' : 'portrait'].across / DRAWING_ZOOM}
        description={`${planning.session.title} lap by lap`}
      />
    </div>
  );
}

const peopled = ({ runs }: Planning) => runs.filter(({ members }) => members.length > 0);
const groupText = ({ group, members, leaderId }: GroupRun) =>
  [
    members.length > 1 ? `led by ${members.find(({ runner }) => runner.id === leaderId)?.runner.name ?? ''}` : '',
    (group.lane ?? 1) > 1 ? `lane ${group.lane}` : '',
    group.startGapS ? `start ${group.startGapS} s after the first` : '',
  ]
    .filter(Boolean)
    .join(', ');

/** What is called for a group, in a line: times at the marks, where to start, rests. */
const callsText = (run: GroupRun, { venue, rounding }: Planning, everyM: number): string =>
  cardLines(legsOfRun(run), venue, everyM)
    .map((line) =>
      [
        `${timesText(line)} in ${targetText(line, rounding)}${line.passes.length > 0 ? `: ${passesText(line.passes, rounding)}` : ''}`,
        line.start === undefined ? '' : `from ${line.start}`,
        line.recovery === undefined ? '' : `rest ${line.recovery}`,
        line.then === undefined ? '' : `then ${line.then}`,
        line.note ?? '',
      ]
        .filter(Boolean)
        .join(', '),
    )
    .join(' · ');

function Over({ run, planning, everyM }: { run: GroupRun; planning: Planning; everyM: number }) {
  return (
    <>
      <b>{run.group.name}</b>
      {groupText(run) ? `, ${groupText(run)}` : ''}
      <div className="calls">{callsText(run, planning, everyM)}</div>
    </>
  );
}

/** Everyone on one page: each group with what is called for it, targets, and boxes for the splits. */
export function SquadSheet({ planning, everyM, isLandscape }: SheetProps) {
  const runs = peopled(planning);
  // Groups that run the same reps share a table, so that a page has one head for as many as can be.
  const tables = targetTables(runs.flatMap(({ members }) => members)).map(({ key, plans }) => {
    const ids = new Set(plans.map(({ runner }) => runner.id));
    return {
      key,
      sets: runs.flatMap((run) => {
        const some = run.members.filter(({ runner }) => ids.has(runner.id));
        const over = <Over run={run} planning={planning} everyM={everyM} />;
        return some.length === 0 ? [] : [{ over, plans: some }];
      }),
    };
  });
  return (
    <div className="sheet">
      <style>{SHEET_STYLE}</style>
      <OnePage isLandscape={isLandscape}>
        <Heading planning={planning} />
        <pre>{planning.session.shorthand}</pre>
        {tables.map(({ key, sets }) => (
          <Boxes key={key} planning={planning} sets={sets} isLandscape={isLandscape} />
        ))}
      </OnePage>
    </div>
  );
}

/** A page for each group, for whoever times it. */
export function GroupSheets({ planning, everyM, isLandscape }: SheetProps) {
  return (
    <div className="sheet">
      <style>{SHEET_STYLE}</style>
      {peopled(planning).map((run) => (
        <OnePage key={run.group.id} isLandscape={isLandscape}>
          <Heading planning={planning} more={`. ${run.group.name}${groupText(run) ? `, ${groupText(run)}` : ''}.`} />
          <pre>{run.members[0] ? formatSession(run.members[0].session) : ''}</pre>
          <GroupTimes planning={planning} run={run} everyM={everyM} />
          {targetTables(run.members).map(({ key, plans }) => (
            <Boxes key={key} planning={planning} sets={[{ plans }]} isLandscape={isLandscape} />
          ))}
          <Drawing planning={planning} run={run} isLandscape={isLandscape} />
        </OnePage>
      ))}
    </div>
  );
}
