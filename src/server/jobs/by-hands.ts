import { goOn, type Turn } from './turn';

/**
 * Does the same to every item, some side by side: while one is decoded or the database answers, another is worked on.
 *
 * @param hands how many at once, ≥ 1
 * @throws TurnOver where the worker is to end; what was begun is finished
 */
export async function byHands<T>(
  items: readonly T[],
  { hands, turn }: { readonly hands: number; readonly turn: Turn },
  deed: (item: T) => Promise<void>,
): Promise<void> {
  let next = 0;
  const hand = async (): Promise<void> => {
    while (next < items.length && !turn.isOver) {
      const item = items[next++] as T;
      await deed(item);
    }
  };
  await Promise.all(Array.from({ length: hands }, hand));
  goOn(turn);
}
