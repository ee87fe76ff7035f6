import { legsOfRun, type GroupRun } from '@core/planning/groupTargets';
import { cardLines, formatRounded, passesText, targetText, timesText } from '@core/planning/card';
import type { AthletePlan } from '@core/planning/athletePlans';
import { targetTables } from '@core/planning/runPlans';
import { formatSession } from '@core/session/formatSession';
import { drawingOf } from '../../data/sessionView';
import { LapSheet, LapThumb } from '../../ui/LapSheet';
import type { Planning } from '../../data/usePlanning';
import { boxesOf, cardFor, CARDS_A_PAGE, inParts, REPS_A_PAGE, timedReps, whenText } from './sheets';
import { SHEET_STYLE } from './sheetStyle';

type SheetProps = { planning: Planning; everyM: number; isLandscape: boolean };

function Heading({ planning, more = '' }: { planning: Planning; more?: string }) {
  return (
    <header>
      <h1>{planning.session.title}</h1>
      <p>{`${whenText(planning)}${more}`}</p>
    </header>
  );
}

/** Rows of athletes, columns of reps: the target small, and a box to write the split in. */
function Boxes({
  planning,
  plans,
  isLandscape,
}: {
  planning: Planning;
  plans: readonly AthletePlan[];
  isLandscape: boolean;
}) {
  const [first] = plans;
  if (!first) return null;
  const reps = timedReps(first.legs);
  const parts = inParts(
    reps.map((rep, i) => ({ ...rep, i })),
    REPS_A_PAGE[isLandscape ? 'landscape' : 'portrait'],
  );
  return (
    <>
      {parts.map((part) => (
        <table key={part[0]?.i ?? 0}>
          <thead>
            <tr>
              <th>Athlete</th>
              {part.map(({ i, label, leg }) => (
                <th key={i}>
                  {`${i + 1}: ${label}`}
                  <br />
                  {leg.pace ?? ''}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {plans.map((athletePlan) => {
              const legs = timedReps(athletePlan.legs);
              return (
                <tr key={athletePlan.runner.id}>
                  <td>{athletePlan.runner.name}</td>
                  {part.map(({ i }) => {
                    const leg = legs[i]?.leg;
                    const timed = leg?.distanceM !== undefined && leg.targetS !== undefined;
                    return (
                      <td key={i} className="box">
                        {timed ? formatRounded(leg.targetS ?? 0, planning.rounding) : ''}
                      </td>
                    );
                  })}
                </tr>
              );
            })}
          </tbody>
        </table>
      ))}
    </>
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

function Drawing({ planning, run }: { planning: Planning; run: GroupRun }) {
  return (
    <div className="drawing">
      <LapSheet {...drawingOf(legsOfRun(run), planning.venue)} description={`${planning.session.title} lap by lap`} />
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

/** Everyone on one list: what the session is, each group's times, and boxes for the splits. */
export function SquadSheet({ planning, everyM, isLandscape }: SheetProps) {
  const runs = peopled(planning);
  const [first] = runs;
  return (
    <div className="sheet">
      <style>{SHEET_STYLE}</style>
      <div className="page">
        <Heading planning={planning} />
        <pre>{planning.session.shorthand}</pre>
        {runs.map((run) => (
          <section key={run.group.id}>
            <h2>{`${run.group.name}${groupText(run) ? `: ${groupText(run)}` : ''}`}</h2>
            <GroupTimes planning={planning} run={run} everyM={everyM} />
          </section>
        ))}
        {first && <Drawing planning={planning} run={first} />}
      </div>
      <div className="page">
        {runs.map(({ group, members }) => (
          <section key={group.id}>
            <h2>{group.name}</h2>
            {targetTables(members).map((table) => (
              <Boxes key={table.key} planning={planning} plans={table.plans} isLandscape={isLandscape} />
            ))}
          </section>
        ))}
      </div>
    </div>
  );
}

/** A page for each group, for whoever times it. */
export function GroupSheets({ planning, everyM, isLandscape }: SheetProps) {
  return (
    <div className="sheet">
      <style>{SHEET_STYLE}</style>
      {peopled(planning).map((run) => (
        <div className="page" key={run.group.id}>
          <Heading planning={planning} more={`. ${run.group.name}${groupText(run) ? `, ${groupText(run)}` : ''}.`} />
          <pre>{run.members[0] ? formatSession(run.members[0].session) : ''}</pre>
          <GroupTimes planning={planning} run={run} everyM={everyM} />
          {targetTables(run.members).map((table) => (
            <Boxes key={table.key} planning={planning} plans={table.plans} isLandscape={isLandscape} />
          ))}
          <Drawing planning={planning} run={run} />
        </div>
      ))}
    </div>
  );
}

/** More lines or boxes than this are set smaller. */
const DENSE = { lines: 4, boxes: 12 };
/** What a card has room for; the rest is on the sheets and the phone. */
const MOST = { lines: 7, boxes: 40 };

type CardProps = { planning: Planning; athletePlan: AthletePlan; everyM: number };

function PocketCard({ planning, athletePlan, everyM }: CardProps) {
  const { rounding, venue } = planning;
  const { title, when, who, lines } = cardFor(planning, athletePlan, everyM);
  const boxes = boxesOf(lines);
  const [name = '', group = ''] = who.split(' (');
  const isDense = lines.length > DENSE.lines || boxes > DENSE.boxes;
  return (
    <div className={isDense ? 'card dense' : 'card'}>
      <div className="head">
        <span className="name">{name}</span>
        <span className="small">{group.replace(/\)$/, '')}</span>
      </div>
      <div className="small">{`${title}, ${when}`}</div>
      {lines.slice(0, MOST.lines).map((line, i) => (
        <div key={i}>
          <div className="line">
            <span>{timesText(line)}</span>
            <span className="time">{targetText(line, rounding)}</span>
          </div>
          <div className="small">
            {[
              passesText(line.passes, rounding),
              line.recovery === undefined ? '' : `rest ${line.recovery}`,
              line.then === undefined ? '' : `then ${line.then}`,
            ]
              .filter(Boolean)
              .join(' · ')}
          </div>
        </div>
      ))}
      {lines.length > MOST.lines && <div className="small">{`and ${lines.length - MOST.lines} more parts`}</div>}
      <LapThumb {...drawingOf(athletePlan.legs, venue)} width={300} height={isDense ? 30 : 44} />
      <div className="boxes">
        {Array.from({ length: Math.min(boxes, MOST.boxes) }, (_, i) => (
          <span key={i}>{i + 1}</span>
        ))}
      </div>
    </div>
  );
}

/** A card for each pocket, eight to a page, to be cut out. */
export function PocketCards({ planning, everyM }: SheetProps) {
  const cards = planning.plans;
  const pages = Array.from({ length: Math.ceil(cards.length / CARDS_A_PAGE) }, (_, i) =>
    cards.slice(i * CARDS_A_PAGE, (i + 1) * CARDS_A_PAGE),
  );
  return (
    <div className="sheet">
      <style>{SHEET_STYLE}</style>
      {pages.map((page) => (
        <div className="page cards" key={page[0]?.runner.id ?? ''}>
          {page.map((athletePlan) => (
            <PocketCard key={athletePlan.runner.id} planning={planning} athletePlan={athletePlan} everyM={everyM} />
          ))}
        </div>
      ))}
    </div>
  );
}
