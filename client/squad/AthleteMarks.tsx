import { counted } from '@core/units/counted';
import { useState } from 'react';
import { View } from 'react-native';
import { timeErrorFor, timeFor, type Curve } from '@core/fitness/curve';
import { formatMark, type Mark } from '@core/fitness/mark';
import { mayBeWrong } from '@core/fitness/wrongMark';
import type { AthletePaces } from '@core/squad/athletePaces';
import type { SquadMember } from '@core/squad/athlete';
import { formatMarkTime, formatTime } from '@core/units/time';
import { Press } from '../ui/Press';
import { PrimaryButton } from '../ui/PrimaryButton';
import { SmallButton } from '../ui/SmallButton';
import { SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';
import { CurveDrawing } from './CurveDrawing';
import { LevelSetter } from './LevelSetter';
import { MarkForm } from './MarkForm';
import { agoText, COURSE_WORDS, KIND_WORDS, MODEL_WORDS } from '../data/athleteText';
import { WhatIs } from '../parts/WhatIs';

const percent = (share: number, digits: number) => `${(share * 100).toFixed(digits).replace('-', '−')}\u00a0%`;

/** `1.2 % slower than the curve`, `on the curve`. */
function offText(residual: number): string {
  const off = Math.abs(residual);
  if (off < 0.0005) return 'on the curve';
  return `${percent(off, 1)} ${residual > 0 ? 'slower than' : 'faster than'} the curve`;
}

function MarkRow({ mark, curve, onPress }: { mark: Mark; curve: Curve | undefined; onPress: () => void }) {
  const palette = usePalette();
  const weighed = curve?.marks.find((candidate) => candidate.mark === mark);
  const isDoubtful = curve !== undefined && weighed !== undefined && mayBeWrong(curve, weighed);
  const course = mark.course && mark.course !== 'track' ? [COURSE_WORDS[mark.course]] : [];
  const detail = [
    KIND_WORDS[mark.kind],
    agoText(mark.date),
    ...course,
    ...(mark.courseName === undefined ? [] : [mark.courseName]),
    ...(mark.note === undefined ? [] : [mark.note]),
  ].join(' · ');
  const counts = mark.leftOut
    ? 'left out of the curve'
    : !weighed
      ? 'not counted: under 200 m, or not at a running speed'
      : weighed.weight === 0
        ? `${offText(weighed.residual)}: the course explains it, it does not slow the paces`
        : [
            mark.alone
              ? `the session alone says ${formatMarkTime(mark.alone.timeS)}, give or take ${percent(mark.alone.sd, 1)}`
              : offText(weighed.residual),
            ...(weighed.timeS === mark.timeS || mark.alone
              ? []
              : [`worth ${formatMarkTime(weighed.timeS)} on the track`]),
            `counts ${percent(weighed.weight, 0)}`,
          ].join(' · ');
  const what = formatMark(mark);
  return (
    <Press
      role="button"
      aria-label={`Change the mark ${what}, ${detail}, ${counts}`}
      onPress={onPress}
      style={{
        minHeight: 64,
        paddingVertical: SPACE.s,
        gap: 2,
        borderBottomWidth: 1,
        borderBottomColor: palette.line,
      }}
    >
      <Text as="strong" quiet={mark.leftOut ?? false}>
        {what}
      </Text>
      <Text as="small" quiet>
        {detail}
      </Text>
      <Text as="small" {...(isDoubtful ? { color: palette.late } : { quiet: true })}>
        {isDoubtful ? `${counts} · does not fit the others` : counts}
      </Text>
    </Press>
  );
}

/** What was fitted, in figures, for those who want to see. */
function Fitted({ curve }: { curve: Curve }) {
  const [isOpen, setOpen] = useState(false);
  const sd = (i: number) => Math.sqrt(Math.max(0, curve.covariance[i]?.[i] ?? 0));
  const figures = (): string[] => {
    switch (curve.model) {
      case 'endurance': {
        const { mapWkg, eWkg, aJkg } = curve.parameters;
        return [
          `Aerobic power MAP ${mapWkg.toFixed(1)} W/kg (± ${(mapWkg * sd(0)).toFixed(1)})`,
          `Endurance E ${percent(eWkg / mapWkg, 1)} of MAP (± ${percent(sd(1), 1)}); most runners −5.0 %`,
          `Anaerobic A ${(aJkg / mapWkg).toFixed(0)} s of MAP (± ${sd(2).toFixed(0)}); most runners 55 s`,
        ];
      }
      case 'power-law':
        return [
          `Time grows with distance to the power of ${curve.parameters.exponent.toFixed(3)} (± ${sd(1).toFixed(3)})`,
        ];
      case 'critical-speed': {
        const { criticalMps, reserveM } = curve.parameters;
        return [
          `Critical speed ${formatTime(400 / criticalMps, 1, 100)} s a lap (± ${percent(sd(0), 1)})`,
          `Reserve above it ${reserveM.toFixed(0)} m (± ${(sd(1) * reserveM).toFixed(0)} m)`,
          'Meant for efforts of 2 to 20 minutes; beyond them the fitness curve of the same marks, moved to meet it.',
        ];
      }
    }
  };
  return (
    <View style={{ gap: SPACE.xs, alignItems: 'flex-start' }}>
      <Text as="small">
        {`Worth ${formatTime(timeFor(curve, 5000))} over 5k, give or take ${formatTime(Math.max(1, timeErrorFor(curve, 5000)))} s.`}
      </Text>
      <SmallButton expanded={isOpen} onPress={() => setOpen(!isOpen)}>
        How it is worked out
      </SmallButton>
      {isOpen && (
        <View style={{ gap: 2 }}>
          <View style={{ flexDirection: 'row', alignItems: 'center' }}>
            <Text as="small">{`Model: ${MODEL_WORDS[curve.model]}. The drawing’s band is one standard error.`}</Text>
            <WhatIs terms={['curve', 'critical speed', 'reserve', 'give or take']} />
          </View>
          {figures().map((line) => (
            <Text as="small" quiet key={line}>
              {line}
            </Text>
          ))}
          <Text as="small" quiet>
            A race counts most, then a trial, then an estimate; every four weeks of age make a mark count less. All of
            it is an estimate: your word goes.
          </Text>
        </View>
      )}
    </View>
  );
}

type Props = {
  athlete: SquadMember;
  paces: AthletePaces;
  /** Paces with the mark being typed. */
  draftPaces: AthletePaces;
  unset: AthletePaces;
  onDraft: (marks: Mark[] | undefined) => void;
  put: (athlete: SquadMember, noticeText: string) => Promise<boolean>;
};

/** The curve, the marks it stands on, and the coach's own word on it. */
export function AthleteMarks({ athlete, paces, draftPaces, unset, onDraft, put }: Props) {
  const [open, setOpen] = useState<Mark | 'new'>();
  const { marks } = athlete;
  const shown = [...marks].sort((a, b) => b.date.localeCompare(a.date));
  const replaced = (mark: Mark | undefined): Mark[] => {
    if (open === 'new') return mark ? [...marks, mark] : marks;
    return marks.flatMap((other) => (other !== open ? [other] : mark ? [mark] : []));
  };
  const close = () => {
    setOpen(undefined);
    onDraft(undefined);
  };
  const keep = async (next: Mark[], noticeText: string) => {
    if (await put({ ...athlete, marks: next }, noticeText)) close();
  };
  const form = (before?: Mark) => (
    <MarkForm
      {...(before ? { before, remove: () => void keep(replaced(undefined), 'The mark is removed.') } : {})}
      pacesBefore={paces}
      pacesAfter={draftPaces}
      onType={(mark) => onDraft(mark ? replaced(mark) : undefined)}
      save={(mark) => keep(replaced(mark), `${formatMark(mark)} is kept.`)}
      cancel={close}
    />
  );
  const { curve, goalCurve } = draftPaces;
  return (
    <View style={{ gap: SPACE.l }}>
      {curve && (
        <View style={{ gap: SPACE.s }}>
          <CurveDrawing name={athlete.name} curve={curve} goalCurve={goalCurve} goal={athlete.goal} marks={marks} />
          <Fitted curve={curve} />
        </View>
      )}
      <View>
        <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center' }}>
          <Text as="heading" level={2}>
            {counted(marks.length, 'mark')}
          </Text>
          {open !== 'new' && (
            <PrimaryButton icon="plus" onPress={() => setOpen('new')}>
              Add a mark
            </PrimaryButton>
          )}
        </View>
        {marks.length === 0 && open !== 'new' && (
          <Text quiet>No mark yet: they train by effort. One race or trial gives every pace.</Text>
        )}
        {open === 'new' && form()}
        {shown.map((mark) =>
          mark === open ? (
            <View key={marks.indexOf(mark)}>{form(mark)}</View>
          ) : (
            <MarkRow key={marks.indexOf(mark)} mark={mark} curve={paces.curve} onPress={() => setOpen(mark)} />
          ),
        )}
      </View>
      <LevelSetter
        nudge={athlete.nudge}
        unset={unset}
        save={async (nudge) => {
          const { nudge: _before, ...rest } = athlete;
          await put(nudge ? { ...rest, nudge } : rest, nudge ? 'The level is set.' : 'The marks count again.');
        }}
      />
    </View>
  );
}
