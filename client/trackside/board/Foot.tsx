import { View } from 'react-native';
import { SPACE, usePalette } from '../../ui/theme';
import type { Step } from './steps';
import { TapButton } from './TapButton';

type FootProps = {
  step: Step;
  resultsText: string;
  undoWords: string | undefined;
  canRedo: boolean;
  ended: boolean;
  unnamed: number;
  onLine: (timeStamp: number) => void;
  onUndo: (timeStamp: number) => void;
  onRedo: (timeStamp: number) => void;
  onStep: (timeStamp: number) => void;
  onMore: () => void;
};

const stepText = (step: Step, resultsText: string): string =>
  step.kind === 'results' ? resultsText : step.kind === 'end' ? 'End the session' : step.text;

/** Under the thumb: the line, undo, the next step, and everything else. */
export function Foot(props: FootProps) {
  const { step, undoWords, canRedo, ended, unnamed, onLine, onUndo, onRedo, onStep, onMore } = props;
  const palette = usePalette();
  const isMain = step.kind === 'results' || step.ready;
  return (
    <View style={{ gap: SPACE.s, padding: SPACE.m, borderTopWidth: 1, borderTopColor: palette.line }}>
      {!ended && (
        <TapButton onTap={onLine} label="Line: take a time without a name">
          {unnamed > 0 ? `Line · ${unnamed} without a name` : 'Line'}
        </TapButton>
      )}
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <TapButton
          icon="undo"
          grow={2}
          disabled={undoWords === undefined}
          label={undoWords === undefined ? 'Nothing to undo' : `Undo ${undoWords}`}
          onTap={onUndo}
        >
          {undoWords ?? 'Undo'}
        </TapButton>
        {canRedo && <TapButton icon="redo" label="Do again what was undone" onTap={onRedo} />}
        <TapButton main={isMain} grow={4} moment={step.kind === 'start' ? 'down' : 'release'} onTap={onStep}>
          {stepText(step, props.resultsText)}
        </TapButton>
        <TapButton icon="menu" label="More" moment="release" onTap={onMore} />
      </View>
    </View>
  );
}
