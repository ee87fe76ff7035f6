import { Fragment, useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import { legsOfRun, type GroupRun } from '@core/planning/groupTargets';
import { cardLines, passesText, targetText, timesText } from '@core/planning/card';
import type { AthletePlan } from '@core/planning/athletePlans';
import { targetTables } from '@core/planning/runPlans';
import { isWork } from '@core/targets/targetsFor';
import { formatSession } from '@core/session/formatSession';
import { drawingOf } from '../../data/sessionView';
import { LapColumns, LapSheet } from '../../ui/LapSheet';
import type { Planning } from '../../data/usePlanning';
import {
  blocksOf,
  blockTarget,
  boxesOf,
  cardFor,
  CARDS_A_PAGE,
  inParts,
  PAGE_PX,
  REPS_A_PAGE,
  timedReps,
  whenText,
  type Block,
} from './sheets';
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

const titleOf = ({ from, times, label, pace }: Block) =>
  [times > 1 ? `${times} × ${label}` : `${from + 1}: ${label}`, ...(pace === undefined ? [] : [`@${pace}`])].join(' ');

type Rows = {
  planning: Planning;
  /** What stands over the athletes: a group's name, and what its timekeeper calls. */
  over?: ReactNode;
  plans: readonly AthletePlan[];
};

/** The rows of those who run the same reps: a target once for as long as it holds, and an empty box for each rep. */
function BlockRows({ planning, over, plans, blocks }: Rows & { blocks: readonly Block[] }) {
  const columns = 1 + blocks.reduce((sum, { times }) => sum + times + 1, 0);
  return (
    <tbody>
      {over !== undefined && (
        <tr>
          <td colSpan={columns} className="over">
            {over}
          </td>
        </tr>
      )}
      {plans.map((plan) => (
        <tr key={plan.runner.id}>
          <td>{plan.runner.name}</td>
          {blocks.map((block) => (
            <Fragment key={block.from}>
              <td className="target">{blockTarget(plan, block, planning.rounding)}</td>
              {Array.from({ length: block.times }, (_, i) => (
                <td key={i} className="box" />
              ))}
            </Fragment>
          ))}
        </tr>
      ))}
    </tbody>
  );
}

function BlockHead({ blocks }: { blocks: readonly Block[] }) {
  return (
    <>
      <colgroup>
        <col className="who" />
        {blocks.map(({ from, times }) => (
          <Fragment key={from}>
            <col className="target" />
            {Array.from({ length: times }, (_, i) => (
              <col key={i} />
            ))}
          </Fragment>
        ))}
      </colgroup>
      <thead>
        <tr>
          <th rowSpan={2}>Athlete</th>
          {blocks.map((block) => (
            <th key={block.from} colSpan={block.times + 1} className="block">
              {titleOf(block)}
            </th>
          ))}
        </tr>
        <tr>
          {blocks.map(({ from, times }) => (
            <Fragment key={from}>
              <th className="target">in</th>
              {Array.from({ length: times }, (_, i) => (
                <th key={i}>{from + i + 1}</th>
              ))}
            </Fragment>
          ))}
        </tr>
      </thead>
    </>
  );
}

/** Tables for athletes who run the same reps, each of as many reps as have room across. */
function Boxes({
  planning,
  sets,
  isLandscape,
}: {
  planning: Planning;
  sets: readonly Omit<Rows, 'planning'>[];
  isLandscape: boolean;
}) {
  const plans = sets.flatMap((set) => set.plans);
  const [first] = plans;
  if (!first) return null;
  const parts = inParts(timedReps(first.legs), REPS_A_PAGE[isLandscape ? 'landscape' : 'portrait']);
  return (
    <>
      {parts.map((part, i) => {
        const blocks = blocksOf(plans, part, i * (parts[0]?.length ?? 0));
        return (
          <table key={i} className="boxes">
            <BlockHead blocks={blocks} />
            {sets.map(({ over, plans: some }, j) => (
              <BlockRows
                key={j}
                planning={planning}
                plans={some}
                blocks={blocks}
                {...(i === 0 && over !== undefined ? { over } : {})}
              />
            ))}
          </table>
        );
      })}
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

/** A drawing is set smaller than on the screen. */
const DRAWING_ZOOM = 0.75;

function Drawing({ planning, run, isLandscape }: { planning: Planning; run: GroupRun; isLandscape: boolean }) {
  return (
    <div className="drawing" style={{ zoom: DRAWING_ZOOM }}>
      <LapSheet
        {...drawingOf(legsOfRun(run), planning.venue)}
        paperPx={PAGE_PX[isLandscape ? 'landscape' : 'portrait'].across / DRAWING_ZOOM}
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

/** Smaller than this nobody reads it at arm's length: what is longer goes on over the page. */
const SMALLEST = 0.62;

/** A page whose content is made as small as it takes to fit on one. */
function OnePage({ isLandscape, children }: { isLandscape: boolean; children: ReactNode }) {
  const content = useRef<HTMLDivElement>(null);
  const [scale, setScale] = useState(1);
  const heightPx = PAGE_PX[isLandscape ? 'landscape' : 'portrait'].down;
  useLayoutEffect(() => {
    const drawnPx = content.current?.getBoundingClientRect().height ?? 0;
    // Smaller print makes longer lines, and so less of them: a little at a time until it fits.
    if (drawnPx > heightPx && scale > SMALLEST) setScale(Math.max(SMALLEST, scale - 0.03));
  }, [heightPx, scale]);
  return (
    <div className="page">
      <div ref={content} style={{ zoom: scale }}>
        {children}
      </div>
    </div>
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
      <LapColumns {...drawingOf(athletePlan.legs.filter(isWork), venue)} width={318} height={isDense ? 36 : 52} />
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
