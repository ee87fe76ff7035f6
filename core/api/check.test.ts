import Joi from 'joi';
import { check, checkForm, checkQuery, trimmedString } from './check';

describe('nothing is coerced', () => {
  const schema = Joi.object({
    yes: Joi.boolean(),
    n: Joi.number(),
    list: Joi.array().items(Joi.number()),
    part: Joi.object({ a: Joi.number() }),
    title: trimmedString(),
  });
  test.each<[string, object, string]>([
    ['a text for true', { yes: 'true' }, 'yes'],
    ['a text for a number', { n: '7' }, 'n'],
    ['a text for a list', { list: '[1]' }, 'list'],
    ['a text for an object', { part: '{"a":1}' }, 'part'],
  ])('%s is refused', (_what, value, field) => {
    expect(check(schema, value)).toMatchObject({ ok: false, field });
    expect(checkForm(schema, value)).toMatchObject({ ok: false, problems: { [field]: expect.any(String) } });
  });
  test('but for the white space round a name', () =>
    expect(check(schema, { title: '  Six of them ' })).toEqual({ ok: true, value: { title: 'Six of them' } }));
  test('in an address everything is text: numbers are read from it', () =>
    expect(checkQuery(Joi.object({ n: Joi.number() }), { n: '7' })).toEqual({ ok: true, value: { n: 7 } }));
});
