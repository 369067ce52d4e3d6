import { describe, expect, it } from 'vitest';
import type { DeskItem } from '@/app/_data/words/text-desk-item';
import type { Problem } from '@/core/problem';
import { begun, nextState, type DeskEvent, type DeskState } from './desk-state';
import { isTouched, untouched, withAlt, wordsBefore, wordsToGather } from './desk-words';

const item = (key: string, alt: string | null): DeskItem =>
  ({
    key,
    places: [
      {
        ids: [1, 2],
        place: { alt, caption: null, link: null },
        takes: { alt: true, caption: false, block: false },
        branch: 'informative',
        gathered: null,
        findings: [],
      },
    ],
  }) as unknown as DeskItem;

const PROBLEM: Problem = { code: 'X', what: 'It was not added.', why: 'No connection.', remedy: 'Again.' };
const after = (state: DeskState, ...events: readonly DeskEvent[]) => events.reduce(nextState, state);

/** A sitting in which words were typed for one picture and kept. */
function kept(): { readonly one: DeskItem; readonly state: DeskState } {
  const one = item('p1', 'image');
  const typed = withAlt(untouched(one), 0, 'Red doors');
  const state = after(
    begun(0, one),
    { do: 'type', key: 'p1', typed },
    { do: 'keep', key: 'p1', words: wordsToGather(one, typed), before: wordsBefore(one) },
    { do: 'go', at: 1 },
  );
  return { one, state };
}

describe('a sitting at the text desk', () => {
  it('begins with the picture it was given, or with none', () => {
    expect([...begun(3, item('p1', null)).items.keys()]).toEqual(['p1']);
    expect(begun(0, null)).toMatchObject({ at: 0, problem: null, past: [] });
  });

  it('has what was kept before the server has said so', () => {
    const { state } = kept();
    expect(state.at).toBe(1);
    expect(state.kept.get('p1')).toBe('keeping');
    const now = state.items.get('p1') as DeskItem;
    expect(now.places[0]?.gathered).toMatchObject({ alt: 'Red doors' });
    expect(isTouched(now, state.typed.get('p1') ?? [])).toBe(false);
    expect(after(state, { do: 'mark', key: 'p1', kept: 'kept' }).kept.get('p1')).toBe('kept');
  });

  it('gives back what failed, with the words still typed, so that they can be kept again', () => {
    const { state } = kept();
    const failed = after(state, { do: 'fail', key: 'p1', problem: PROBLEM });
    const now = failed.items.get('p1') as DeskItem;
    expect(failed.kept.get('p1')).toBe('failed');
    expect(failed.problem).toEqual({ key: 'p1', problem: PROBLEM });
    expect(now.places[0]?.gathered).toBeNull();
    expect(isTouched(now, failed.typed.get('p1') ?? [])).toBe(true);
    // There is nothing to take back of what never came to be.
    expect(failed.past).toEqual([]);
    const typed = failed.typed.get('p1') ?? [];
    const again = after(failed, {
      do: 'keep',
      key: 'p1',
      words: wordsToGather(now, typed),
      before: wordsBefore(now),
    });
    expect(again.problem).toBeNull();
    expect(again.kept.get('p1')).toBe('keeping');
  });

  it('keeps the problem of one picture while another is kept', () => {
    const { state } = kept();
    const failed = after(
      state,
      { do: 'fail', key: 'p1', problem: PROBLEM },
      { do: 'have', key: 'p2', item: item('p2', 'x') },
    );
    const two = failed.items.get('p2') as DeskItem;
    const words = wordsToGather(two, withAlt(untouched(two), 0, 'y'));
    expect(after(failed, { do: 'keep', key: 'p2', words, before: wordsBefore(two) }).problem?.key).toBe('p1');
  });

  it('takes the last back first, and knows what the edition had before', () => {
    const { one, state } = kept();
    const [last] = state.past;
    expect(last).toEqual({ key: 'p1', before: wordsBefore(one) });
    const back = after(state, { do: 'back' }, { do: 'have', key: 'p1', item: one });
    expect(back.past).toEqual([]);
    expect(back.items.get('p1')?.places[0]?.gathered).toBeNull();
    // What was typed is not lost by it.
    expect(back.typed.get('p1')?.[0]?.alt).toBe('Red doors');
  });

  it('remembers that a picture stands nowhere any more', () => {
    expect(after(begun(0, null), { do: 'have', key: 'p9', item: null }).items.get('p9')).toBeNull();
  });

  it('never changes the state that it was given', () => {
    const { state } = kept();
    const before = JSON.stringify([state.at, [...state.kept], [...state.typed], state.past]);
    after(state, { do: 'fail', key: 'p1', problem: PROBLEM }, { do: 'go', at: 5 }, { do: 'back' });
    expect(JSON.stringify([state.at, [...state.kept], [...state.typed], state.past])).toBe(before);
  });
});
