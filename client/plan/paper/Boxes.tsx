import { Fragment, type ReactNode } from 'react';
import type { AthletePlan } from '@core/planning/athletePlans';
import type { Planning } from '../../data/usePlanning';
import { blocksOf, blockTarget, inParts, REPS_A_PAGE, timedReps, type Block } from './sheets';

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
export function Boxes({
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
