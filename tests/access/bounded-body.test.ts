import Joi from 'joi';
import { describe, expect, it } from 'vitest';
import { boundedJson } from '@/server/bounded-body';
import { checkedInput } from '@/server/checked-input';
import { databaseProblem } from '@/server/db/database';
import { problemOf, ProblemError } from '@/server/problem-error';

const request = (body: string) => new Request('http://127.0.0.1/', { method: 'POST', body });

describe('what is sent', () => {
  it.each([
    ['JSON', '{"a":[1]}', { a: [1] }],
    ['no JSON', '{"a":', null],
    ['a character that no text can have', '"a\\u0000b"', null],
    ['more than is read', `"${'x'.repeat(2000)}"`, null],
    ['nothing', '', null],
  ])('%s', async (_name, body, expected) => {
    expect(await boundedJson(request(body), 1000)).toEqual(expected);
  });

  it('is read no further than its limit', async () => {
    let sent = 0;
    const endless = new ReadableStream({
      pull(controller) {
        sent++;
        controller.enqueue(new TextEncoder().encode('x'.repeat(1000)));
      },
    });
    const body = new Request('http://127.0.0.1/', {
      method: 'POST',
      body: endless,
      duplex: 'half',
    } as RequestInit);
    expect(await boundedJson(body, 10_000)).toBeNull();
    expect(sent).toBeLessThan(20);
  });

  it('with U+0000 anywhere is refused before the database', () => {
    const schema = Joi.object<{ words: string[] }>({ words: Joi.array().items(Joi.string()) });
    const refusal = { code: 'INPUT', what: 'Nothing was saved.' };
    expect(checkedInput(schema, { words: ['fine'] }, refusal)).toEqual({ words: ['fine'] });
    let problem: unknown = null;
    try {
      checkedInput(schema, { words: ['a\0b'] }, refusal);
    } catch (error) {
      problem = problemOf(error);
    }
    expect(problem).toMatchObject({ code: 'INPUT', why: expect.stringMatching(/U\+0000/) });
  });

  it('a web address that refuses is not told as a database', () => {
    const cause = Object.assign(new Error('connect ECONNREFUSED'), { code: 'ECONNREFUSED' });
    const refused = new ProblemError({ code: 'ADDRESS_UNREACHED', what: '', why: '', remedy: '' }, { cause });
    expect(problemOf(databaseProblem(refused)).code).toBe('ADDRESS_UNREACHED');
    expect(problemOf(databaseProblem(cause)).code).toBe('DATABASE_DOWN');
  });
});
