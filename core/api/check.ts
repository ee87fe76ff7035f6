import type Joi from 'joi';

/** The validated value, or where it is wrong (`marks[0].timeS`) with a sentence that says what is. */
export type Checked<T> = { ok: true; value: T } | { ok: false; field: string; message: string };

const pathText = (path: readonly (string | number)[]) =>
  path.reduce<string>(
    (text, part) => (typeof part === 'number' ? `${text}[${part}]` : text ? `${text}.${part}` : part),
    '',
  );

const sentence = (message: string) => (/[.?]$/.test(message) ? message : `${message}.`);

/** Validates a value against a schema. Nothing is coerced: a string is not taken for a number. */
export function check<T>(schema: Joi.Schema<T>, value: unknown): Checked<T> {
  const { error, value: checked } = schema.validate(value, { convert: true, abortEarly: true, presence: 'optional' });
  const [detail] = error?.details ?? [];
  if (!detail) return { ok: true, value: checked as T };
  return { ok: false, field: pathText(detail.path), message: sentence(detail.message) };
}

/** The validated value, or all that is wrong with it: the first sentence of each field. */
export type CheckedForm<T> = { ok: true; value: T } | { ok: false; problems: Record<string, string> };

/** The same as `check` for what is typed into a form: all that is wrong at once. */
export function checkForm<T>(schema: Joi.Schema<T>, value: unknown): CheckedForm<T> {
  const { error, value: checked } = schema.validate(value, { convert: true, abortEarly: false, presence: 'optional' });
  if (!error) return { ok: true, value: checked as T };
  const problems = error.details.map(({ path, message }) => [pathText(path), sentence(message)]);
  return { ok: false, problems: Object.fromEntries(problems.reverse()) as Record<string, string> };
}
