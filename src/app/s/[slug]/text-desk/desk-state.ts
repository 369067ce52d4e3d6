/** A sitting at the text desk: where one is, what was typed, what was kept, and what failed. */
import type { DeskItem } from '@/app/_data/words/text-desk-item';
import type { Problem } from '@/core/problem';
import type { WordsOfPlaces } from '@/server/work/words/gather-words';
import { withGathered, type Typed } from './desk-words';

type Kept = 'keeping' | 'kept' | 'as it was' | 'failed';

export interface DeskState {
  readonly at: number;
  readonly items: ReadonlyMap<string, DeskItem | null>;
  readonly typed: ReadonlyMap<string, Typed>;
  readonly kept: ReadonlyMap<string, Kept>;
  readonly problem: { readonly key: string; readonly problem: Problem } | null;
  /** What was kept, the last one last, with what the edition had before. */
  readonly past: readonly { readonly key: string; readonly before: readonly WordsOfPlaces[] }[];
}

export type DeskEvent =
  | { readonly do: 'go'; readonly at: number }
  | { readonly do: 'have'; readonly key: string; readonly item: DeskItem | null }
  | { readonly do: 'type'; readonly key: string; readonly typed: Typed }
  | { readonly do: 'mark'; readonly key: string; readonly kept: Kept }
  | {
      readonly do: 'keep';
      readonly key: string;
      readonly before: readonly WordsOfPlaces[];
      readonly words: readonly WordsOfPlaces[];
    }
  | { readonly do: 'fail'; readonly key: string; readonly problem: Problem }
  | { readonly do: 'back' };

/** What becomes of a sitting by something that happens to it. */
export function nextState(state: DeskState, event: DeskEvent): DeskState {
  const { items, typed, kept, past } = state;
  switch (event.do) {
    case 'go':
      return { ...state, at: event.at };
    case 'have':
      return { ...state, items: new Map(items).set(event.key, event.item) };
    case 'type':
      return { ...state, typed: new Map(typed).set(event.key, event.typed) };
    case 'mark':
      return { ...state, kept: new Map(kept).set(event.key, event.kept) };
    case 'keep': {
      const item = items.get(event.key);
      return {
        ...state,
        items: item ? new Map(items).set(event.key, withGathered(item, event.words)) : items,
        kept: new Map(kept).set(event.key, 'keeping'),
        problem: state.problem?.key === event.key ? null : state.problem,
        past: [...past, { key: event.key, before: event.before }],
      };
    }
    case 'fail': {
      const item = items.get(event.key);
      const last = past.findLast(({ key }) => key === event.key);
      return {
        ...state,
        // The edition has what it had before, so that these words can be kept again.
        items: item && last ? new Map(items).set(event.key, withGathered(item, last.before)) : items,
        kept: new Map(kept).set(event.key, 'failed'),
        problem: { key: event.key, problem: event.problem },
        past: past.filter(({ key }) => key !== event.key),
      };
    }
    case 'back':
      return { ...state, past: past.slice(0, -1) };
  }
}

/** A sitting as it begins. */
export function begun(at: number, first: DeskItem | null): DeskState {
  return {
    at,
    items: new Map(first ? [[first.key, first]] : []),
    ...{ typed: new Map(), kept: new Map(), problem: null, past: [] },
  };
}
