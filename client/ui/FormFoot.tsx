import { View } from 'react-native';
import { PrimaryButton } from './PrimaryButton';
import { SPACE } from './theme';

type Props = {
  /** What saving is called here: `Save mark`. */
  save: string;
  onSave: () => void;
  canSave?: boolean;
  onCancel: () => void;
  /** What takes out what the form is about, where it is there already. */
  onRemove?: (() => void) | undefined;
  remove?: string;
};

/** What ends a form: save it, leave it, or take out what it is about. */
export function FormFoot({ save, onSave, canSave = true, onCancel, onRemove, remove = 'Remove' }: Props) {
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
      <PrimaryButton main icon="check" disabled={!canSave} onPress={onSave}>
        {save}
      </PrimaryButton>
      <PrimaryButton onPress={onCancel}>Cancel</PrimaryButton>
      {onRemove && (
        <PrimaryButton icon="remove" onPress={onRemove}>
          {remove}
        </PrimaryButton>
      )}
    </View>
  );
}
