import type Joi from 'joi';

/** The validated value, or where it is wrong (`marks[0].timeS`) with a sentence that says what is. */
export type Checked<T> = { ok: true; value: T } | { ok: false; field: string; message: string };

const pathText = (path: readonly (string | number)[]) =>
  path.reduce<string>(
    (text, part) => (typeof part === 'number' ? `${text}[${part}]` : text ? `${text}.${part}` : part),
    '',
  );

/** Validates a value against a schema. Nothing is coerced: a string is not taken for a number. */
export function check<T>(schema: Joi.Schema<T>, value: unknown): Checked<T> {
  const { error, value: checked } = schema.validate(value, { convert: true, abortEarly: true, presence: 'optional' });
  const [detail] = error?.details ?? [];
  if (!detail) return { ok: true, value: checked as T };
  const field = pathText(detail.path);
  const message = /[.?]$/.test(detail.message) ? detail.message : `${detail.message}.`;
  return { ok: false, field, message };
}
