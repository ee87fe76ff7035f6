import type { ComponentProps } from 'react';
import { useController, useFormContext } from 'react-hook-form';
import { View } from 'react-native';
import { Choice } from '../Choice';
import { RadioRow } from '../RadioRow';
import { Select } from '../Select';
import { TextField } from '../TextField';
import { WhenField } from '../WhenField';

/** The parts of the kit as fields of the form they stand in; each says what is wrong with it, and can be gone to. */

type Of<Props> = Omit<Props, 'value' | 'onChange' | 'error'> & { field: string };

function useField(name: string) {
  const { control } = useFormContext<Record<string, string | undefined>>();
  const { field, fieldState } = useController({ control, name });
  return { value: field.value ?? '', onChange: field.onChange, inputRef: field.ref, error: fieldState.error?.message };
}

export const FormText = ({ field, ...props }: Of<ComponentProps<typeof TextField>>) => (
  <TextField {...props} {...useField(field)} />
);

export const FormSelect = ({ field, ...props }: Of<ComponentProps<typeof Select>>) => (
  <Select {...props} {...useField(field)} />
);

export const FormWhen = ({ field, ...props }: Of<ComponentProps<typeof WhenField>>) => (
  <WhenField {...props} {...useField(field)} />
);

export function FormChoice({ field, ...props }: Of<ComponentProps<typeof Choice>>) {
  const { value, onChange } = useField(field);
  return <Choice {...props} value={value} onChange={onChange} />;
}

type Lines = { field: string; label: string; options: readonly { value: string; text: string }[] };

/** One of several long choices, a line each. */
export function FormLines({ field, label, options }: Lines) {
  const { value, onChange } = useField(field);
  return (
    <View role="radiogroup" aria-label={label}>
      {options.map((option) => (
        <RadioRow
          key={option.value}
          label={option.text}
          chosen={option.value === value}
          onChoose={() => onChange(option.value)}
        />
      ))}
    </View>
  );
}
