import { useForm, type DefaultValues, type FieldErrors, type FieldValues, type UseFormReturn } from 'react-hook-form';

/** What is wrong, by field; under `form` what concerns no single one. */
export type Problems = Partial<Record<string, string>>;
/** What was typed, read out; or everything that is wrong with it. */
export type Read<Value> = { ok: true; value: Value } | { ok: false; problems: Problems };

type Asked<Fields extends FieldValues, Value> = {
  start: Fields;
  read: (typed: Fields) => Read<Value> | Promise<Read<Value>>;
  /** @returns what the server has against it, if anything. */
  save: (value: Value) => void | Promise<Problems | undefined | void>;
};

export type ReadForm<Fields extends FieldValues> = {
  form: UseFormReturn<Fields>;
  /** Saves what is typed if all of it can be read; else says all that is wrong and goes to the first such field. The typing stays. */
  submit: () => void;
  /** What concerns no single field. */
  trouble: string | undefined;
};

const NOT_SAVED = 'Not saved yet: a field above cannot be read. Your typing is kept.';

const asErrors = (problems: Problems) =>
  Object.fromEntries(Object.entries(problems).map(([field, message]) => [field, { type: 'read', message }]));

/**
 * A form whose text is read once it is saved, and from then on with each letter. It is read by the same functions as text from files, and
 * where there is one checked by the server's schema, so that one resolver serves all: Joi's own for these forms would see the text alone.
 */
export function useReadForm<Fields extends FieldValues, Value>({
  start,
  read,
  save,
}: Asked<Fields, Value>): ReadForm<Fields> {
  const form = useForm<Fields, unknown, { value: Value }>({
    defaultValues: start as DefaultValues<Fields>,
    resolver: async (typed) => {
      const found = await read(typed);
      return found.ok
        ? { values: { value: found.value }, errors: {} }
        : { values: {} as Record<string, never>, errors: asErrors(found.problems) as FieldErrors<Fields> };
    },
  });
  const { errors } = form.formState;
  const put = form.handleSubmit(async ({ value }) => {
    const problems = Object.entries((await save(value)) ?? {});
    problems.forEach(([field, message = ''], i) =>
      form.setError(field as 'root', { message }, { shouldFocus: i === 0 }),
    );
  });
  const { form: ofForm, root, ...ofFields } = errors as FieldErrors & { form?: { message?: string } };
  return {
    form: form as unknown as UseFormReturn<Fields>,
    submit: () => void put(),
    trouble: ofForm?.message ?? root?.message ?? (Object.keys(ofFields).length > 0 ? NOT_SAVED : undefined),
  };
}
