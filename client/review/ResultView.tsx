import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import type { ReviewCell } from '@core/review/cell';
import { reviewRun, type Review, type ReviewRow } from '@core/review/review';
import { repLabel } from '@core/trackside/plan';
import { replay } from '@core/trackside/replay';
import { formatClock, formatDelta, formatTime } from '@core/units/time';
import { useAppSelector } from '../store/store';
import { troubleText, useRunQuery } from '../store/api';
import { Choice } from '../ui/Choice';
import { dayName } from '../ui/days';
import { Delta, VerdictMark } from '../ui/Delta';
import { Empty } from '../ui/Empty';
import { Loading } from '../ui/Loading';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { Table } from '../ui/Table';
import { SPACE, usePalette } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Words } from '../ui/Words';
import { Spread } from './Spread';

const backToList = () => router.replace('/results');

function Cell({ cell }: { cell: ReviewCell }) {
  if (cell.actualS === undefined)
    return (
      <Words quiet label={cell.unfinished ? 'no finish taken' : cell.leftOut ? 'left out' : 'not run'}>
        {cell.unfinished ? 'no finish' : cell.leftOut ? 'left out' : '–'}
      </Words>
    );
  return (
    <View style={{ alignItems: 'flex-end' }}>
      <Words as="strong">{formatTime(cell.actualS, 1)}</Words>
      {cell.deltaS !== undefined && cell.verdict && <Delta deltaS={cell.deltaS} verdict={cell.verdict} />}
      {cell.plannedS !== undefined && (
        <Words as="label" quiet>
          {`of ${formatClock(cell.plannedS)}`}
        </Words>
      )}
      {cell.targetS !== undefined && (
        <Words as="label" quiet>
          {`of ${formatTime(cell.targetS, 1)}`}
        </Words>
      )}
    </View>
  );
}

function Mean({ row }: { row: ReviewRow }) {
  if (row.meanS === undefined) return <Words quiet>–</Words>;
  return (
    <View style={{ alignItems: 'flex-end' }}>
      <Words as="strong">{formatTime(row.meanS, 1)}</Words>
      <Words as="label" quiet>
        {row.spreadS === undefined ? '' : `± ${formatTime(row.spreadS, 1)} s`}
      </Words>
      {row.meanDeltaS !== undefined && (
        <Words as="label" quiet label={`on average ${formatDelta(row.meanDeltaS)} seconds to target`}>
          {`avg ${formatDelta(row.meanDeltaS)}`}
        </Words>
      )}
    </View>
  );
}

/** One athlete's way through each rep: what was taken at the marks. */
function AtTheMarks({ review, row }: { review: Review; row: ReviewRow }) {
  return (
    <View style={{ gap: SPACE.s }}>
      <Words as="heading" level={2}>
        {`${row.name} at the marks`}
      </Words>
      {row.cells.map((cell, at) => (
        <View
          key={cell.repIndex}
          style={{ flexDirection: 'row', gap: SPACE.m, flexWrap: 'wrap', alignItems: 'center' }}
        >
          <Words as="strong" style={{ minWidth: 108 }}>
            {`${at + 1}. ${repLabel(cell.rep ?? review.columns[at]?.rep ?? {})}`}
          </Words>
          {cell.passes.length === 0 && <Words quiet>no times</Words>}
          {cell.passes.map((pass) => (
            <View key={pass.atM} style={{ flexDirection: 'row', gap: 4, alignItems: 'baseline' }}>
              <Words as="label" quiet>
                {String(Math.round(pass.atM))}
              </Words>
              <Words>{formatTime(pass.elapsedS, 1)}</Words>
              {pass.deltaS !== undefined && pass.verdict && <Delta deltaS={pass.deltaS} verdict={pass.verdict} />}
            </View>
          ))}
        </View>
      ))}
    </View>
  );
}

/** What was tapped in work without structure: when, and for how long. */
function Surges({ review: { surges } }: { review: Review }) {
  const sumS = surges.reduce((sum, { lengthS }) => sum + lengthS, 0);
  return (
    <View style={{ gap: SPACE.xs }}>
      <Words as="heading" level={2}>
        {`${surges.length === 1 ? '1 surge' : `${surges.length} surges`}, ${formatClock(sumS)} in all`}
      </Words>
      <View role="list">
        {surges.map(({ fromS, lengthS }) => (
          <View role="listitem" key={fromS}>
            <Words>{`after ${formatClock(fromS)}, for ${formatClock(lengthS)}`}</Words>
          </View>
        ))}
      </View>
    </View>
  );
}

function Legend() {
  const palette = usePalette();
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.l, flexWrap: 'wrap' }}>
      {(['early', 'on', 'late'] as const).map((verdict) => (
        <View key={verdict} style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
          <VerdictMark verdict={verdict} color={palette[verdict]} />
          <Words as="small" color={palette[verdict]}>
            {verdict === 'on' ? 'on: within tolerance' : verdict}
          </Words>
        </View>
      ))}
    </View>
  );
}

function ResultTable({
  review,
  chosen,
  choose,
}: {
  review: Review;
  chosen: string | undefined;
  choose: (athleteId: string) => void;
}) {
  const mean = review.meanOver === '400' ? 'Mean a lap' : 'Mean';
  const reps = review.columns.map(({ rep }, i) => {
    const [amount = '', pace] = repLabel(rep).split(' @');
    return { key: String(i), title: `${i + 1}: ${amount}`, width: 88, ...(pace ? { under: `@${pace}` } : {}) };
  });
  return (
    <Table
      label="Results"
      nameTitle="Athlete"
      rowHeight={66}
      columns={[{ key: 'mean', title: mean, under: '± spread', width: 92 }, ...reps]}
      rows={review.rows.map((row) => ({
        key: row.athleteId,
        name: row.name,
        chosen: row.athleteId === chosen,
        onPress: () => choose(row.athleteId),
        cells: [<Mean key="mean" row={row} />, ...row.cells.map((cell) => <Cell key={cell.repIndex} cell={cell} />)],
      }))}
      nameSays={(name) => `Times at the marks of ${name}`}
    />
  );
}

/** What was run, athlete by athlete and rep by rep. */
export function ResultView({ runId }: { runId: string }) {
  // What this phone has counts first: the server may not have everything yet.
  const here = useAppSelector((state) => (state.trackside.run?.plan.id === runId ? state.trackside.run : undefined));
  // Nor does it know of what has not been sent yet.
  const isWaiting = useAppSelector((state) => state.trackside.outbox.waiting > 0);
  const {
    data: there,
    error,
    refetch,
  } = useRunQuery(runId, {
    refetchOnMountOrArgChange: true,
    skip: here !== undefined && isWaiting,
  });
  const [chosen, setChosen] = useState<string>();
  const [groupChosen, chooseGroup] = useState<string>();
  const run = here ?? there;
  const read = useMemo(() => {
    if (!run) return undefined;
    const state = replay(run.plan, run.events);
    return { state, reviews: reviewRun(state) };
  }, [run]);

  if (!run || !read)
    return (
      <Page title="Results" onBack={backToList} backLabel="Back to all results">
        {!error ? (
          <Loading />
        ) : 'status' in error && error.status === 404 ? (
          <Empty title="No such results" action={{ label: 'Go to all results', onPress: backToList }}>
            Nothing has been run at this address.
          </Empty>
        ) : (
          <Trouble retry={() => void refetch()}>{troubleText(error)}</Trouble>
        )}
      </Page>
    );

  const { plan } = run;
  const { reviews, state } = read;
  const review = reviews.find(({ groupId }) => groupId === groupChosen) ?? reviews[0];
  const row = review?.rows.find((candidate) => candidate.athleteId === chosen) ?? review?.rows[0];
  const athletes = new Set(reviews.flatMap(({ rows }) => rows.map(({ athleteId }) => athleteId))).size;
  const open = state.endedAtMs === undefined;
  return (
    <Page
      title={plan.title}
      about={`${dayName(plan.date)} · ${athletes} athletes · ${reviews.map(({ columns }) => columns.length).join(' and ')} reps${open ? ' · still under way' : ''}`}
      onBack={backToList}
      backLabel="Back to all results"
      footer={
        open ? (
          <PrimaryButton main icon="track" onPress={() => router.push(`/track/run/${runId}`)}>
            Go on at the track
          </PrimaryButton>
        ) : undefined
      }
    >
      {review && reviews.length > 1 && (
        <Choice
          label="Group"
          options={reviews.map(({ groupId, name }) => ({ value: groupId, text: name }))}
          value={review.groupId}
          onChange={chooseGroup}
        />
      )}
      <Legend />
      {review && (
        <>
          <Spread review={review} highlightId={chosen} />
          <ResultTable review={review} chosen={row?.athleteId} choose={setChosen} />
          {review.surges.length > 0 && <Surges review={review} />}
          {row && <AtTheMarks review={review} row={row} />}
        </>
      )}
    </Page>
  );
}
