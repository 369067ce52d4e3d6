import { describe, expect, it } from 'vitest';
import { storableJson } from './storable';

describe('storableJson', () => {
  it.each([
    ['words', { a: 'Zoë – 𝄞', b: [1, null] }, { a: 'Zoë – 𝄞', b: [1, null] }],
    ['NUL', ['a\0b'], ['a\ufffdb']],
    ['half a pair at the end', ['a\ud834'], ['a\ufffd']],
    ['half a pair at the beginning', ['\udd1e a'], ['\ufffd a']],
    ['what only looks like it', ['\\u0000 and \\ud834'], ['\\u0000 and \\ud834']],
  ])('%s', (_name, given, wanted) => {
    const text = storableJson(given);
    expect(JSON.parse(text)).toEqual(wanted);
    expect(text).not.toMatch(/(?<!\\)\\u(?:0000|d[89a-f])/u);
  });
});
