import Joi from 'joi';

/** The validated value, or where it is wrong (`marks[0].timeS`) with a sentence that says what is. */
export type Checked<T> = { ok: true; value: T } | { ok: false; field: string; message: string };

const pathText = (path: readonly (string | number)[]) =>
  path.reduce<string>(
    (text, part) => (typeof part === 'number' ? `${text}[${part}]` : text ? `${text}.${part}` : part),
    '',
  );

const sentence = (message: string) => (/[.?]$/.test(message) ? message : `${message}.`);

/** Trims white space from both ends of a string: the only change made to a request. */
export const trimmedString = (): Joi.StringSchema => Joi.string().trim().prefs({ convert: true });

const STRICT: Joi.ValidationOptions = { convert: false, presence: 'optional' };

function checked<T>(schema: Joi.Schema<T>, value: unknown, options: Joi.ValidationOptions): Checked<T> {
  const { error, value: valid } = schema.validate(value, { ...options, abortEarly: true });
  const [detail] = error?.details ?? [];
  if (!detail) return { ok: true, value: valid as T };
  return { ok: false, field: pathText(detail.path), message: sentence(detail.message) };
}

/** Validates a value against a schema. Nothing is coerced: a string is not taken for a number, a boolean or an object. */
export const check = <T>(schema: Joi.Schema<T>, value: unknown): Checked<T> => checked(schema, value, STRICT);

/** Validates the query of an address, in which every value is text: numbers are read from it. */
export const checkQuery = <T>(schema: Joi.Schema<T>, query: unknown): Checked<T> =>
  checked(schema, query, { ...STRICT, convert: true });

/** The validated value, or all that is wrong with it: the first sentence of each field. */
export type CheckedForm<T> = { ok: true; value: T } | { ok: false; problems: Record<string, string> };

/** Validates a form's fields without coercing, and reports all problems at once. */
export function checkForm<T>(schema: Joi.Schema<T>, value: unknown): CheckedForm<T> {
  const { error, value: valid } = schema.validate(value, { ...STRICT, abortEarly: false });
  if (!error) return { ok: true, value: valid as T };
  const problems = error.details.map(({ path, message }) => [pathText(path), sentence(message)]);
  return { ok: false, problems: Object.fromEntries(problems.reverse()) as Record<string, string> };
}
