import { describe, expect, it } from 'vitest';
import { remembered } from './remembered';

describe('what is remembered of texts', () => {
  it('is made once, whatever it is', () => {
    const asked: string[] = [];
    const length = remembered((text) => {
      asked.push(text);
      return text === '' ? undefined : text.length;
    });
    expect(['ab', '', 'ab', ''].map(length)).toEqual([2, undefined, 2, undefined]);
    expect(asked).toEqual(['ab', '']);
  });

  it('is let go when there is no room, and made again', () => {
    const asked: string[] = [];
    const first = remembered((text) => {
      asked.push(text);
      return text.charAt(0);
    }, 2);
    expect(['a1', 'b1', 'c1', 'a1'].map(first)).toEqual(['a', 'b', 'c', 'a']);
    expect(asked).toEqual(['a1', 'b1', 'c1', 'a1']);
  });

  it('is not kept of a long text', () => {
    let asked = 0;
    const length = remembered((text) => {
      asked++;
      return text.length;
    });
    const long = 'a'.repeat(5000);
    expect([length(long), length(long), asked]).toEqual([5000, 5000, 2]);
  });
});
