import { memo } from 'react';
import { View } from 'react-native';
import { SPACE, usePalette } from '../../ui/theme';
import { useLow } from '../../ui/useLow';
import { TapButton } from './TapButton';
import type { TapMoment } from './useTap';

type FootProps = {
  /** What the big button says, whether it is the thing to do now, and whether it acts as the finger lands. */
  stepText: string;
  /** Time until the step is due, on a second line. */
  waitText: string | undefined;
  isStepMain: boolean;
  stepMoment: TapMoment;
  undoWords: string | undefined;
  canRedo: boolean;
  ended: boolean;
  unnamed: number;
  onLine: (timeStamp: number) => void;
  onUndo: (timeStamp: number) => void;
  onRedo: (timeStamp: number) => void;
  onStep: (timeStamp: number) => void;
  /** Opens the list of who has stopped; undefined before the first start. */
  onStop: (() => void) | undefined;
  onMore: () => void;
};

/** Held sideways, as wide as a thumb reaches. */
const COLUMN_PX = 220;

/** Under the thumb: the line, undo, the next step, and everything else; held sideways a column at the right. */
export const Foot = memo(function Foot(props: FootProps) {
  const {
    stepText,
    waitText,
    isStepMain,
    stepMoment,
    undoWords,
    canRedo,
    ended,
    unnamed,
    onLine,
    onUndo,
    onRedo,
    onStep,
    onStop,
    onMore,
  } = props;
  const palette = usePalette();
  const isColumn = useLow();
  const step = (
    <TapButton
      main={isStepMain}
      grow={isColumn ? 0 : 4}
      moment={stepMoment}
      onTap={onStep}
      {...(waitText === undefined ? {} : { under: waitText })}
    >
      {stepText}
    </TapButton>
  );
  return (
    <View
      style={{
        gap: SPACE.s,
        padding: SPACE.m,
        borderColor: palette.line,
        ...(isColumn ? { width: COLUMN_PX, borderLeftWidth: 1, justifyContent: 'flex-end' } : { borderTopWidth: 1 }),
      }}
    >
      {!ended && (
        <View style={{ flexDirection: 'row', gap: SPACE.s, flexGrow: isColumn ? 1 : 0 }}>
          <TapButton grow={4} isTall={isColumn} onTap={onLine} label="Line: take a time without a name">
            {unnamed > 0 ? `Line · ${unnamed} without a name` : 'Line'}
          </TapButton>
          {onStop && (
            <TapButton moment="release" label="Somebody has stopped" onTap={onStop}>
              Stop
            </TapButton>
          )}
        </View>
      )}
      {isColumn && step}
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <TapButton
          {...(undoWords === undefined ? { icon: 'undo' } : { over: 'Undo' })}
          grow={3}
          disabled={undoWords === undefined}
          label={undoWords === undefined ? 'Nothing to undo' : `Undo ${undoWords}`}
          onTap={onUndo}
        >
          {undoWords ?? 'Undo'}
        </TapButton>
        {canRedo && <TapButton icon="redo" label="Do again what was undone" onTap={onRedo} />}
        {!isColumn && step}
        <TapButton icon="menu" label="More" moment="release" onTap={onMore} />
      </View>
    </View>
  );
});
