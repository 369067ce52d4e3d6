'use client';

import { createContext, useContext, useMemo, useState, type KeyboardEvent, type ReactNode } from 'react';

/** Something of a list that can be chosen. */
interface Choosable {
  readonly id: number;
}

interface Chosen {
  readonly items: readonly Choosable[];
  readonly chosen: ReadonlySet<number>;
  /** Chooses one or lets it go; with `isRange` all between the last one and this one as well. */
  readonly choose: (id: number, isOn: boolean, isRange: boolean) => void;
  readonly chooseAll: (isOn: boolean) => void;
}

const Context = createContext<Chosen | null>(null);

export function useChosen(): Chosen {
  const held = useContext(Context);
  if (!held) throw new Error('stands outside of <Choosing>');
  return held;
}

/** Holds which things of a sheet are chosen. */
export function Choosing({ items, children }: { items: readonly Choosable[]; children: ReactNode }) {
  const [marked, setMarked] = useState<ReadonlySet<number>>(new Set());
  const [last, setLast] = useState<number | null>(null);
  const held = useMemo((): Chosen => {
    const ids = items.map(({ id }) => id);
    return {
      items,
      // What is no longer on the sheet is no longer chosen.
      chosen: new Set(ids.filter((id) => marked.has(id))),
      choose: (id, isOn, isRange) => {
        const from = last === null || !isRange ? id : last;
        const [start, end] = [ids.indexOf(from), ids.indexOf(id)].toSorted((a, b) => a - b);
        const next = new Set(marked);
        for (const one of ids.slice(start, (end ?? 0) + 1)) {
          if (isOn) next.add(one);
          else next.delete(one);
        }
        setMarked(next);
        setLast(id);
      },
      chooseAll: (isOn) => setMarked(new Set(isOn ? ids : [])),
    };
  }, [items, marked, last]);
  return (
    <Context value={held}>
      <div data-choosing>{children}</div>
    </Context>
  );
}

/** The box next in the direction of an arrow key, by where the boxes stand on the screen. */
function neighbour(boxes: readonly HTMLInputElement[], from: HTMLInputElement, key: string) {
  const at = boxes.indexOf(from);
  if (key === 'ArrowRight') return boxes[at + 1];
  if (key === 'ArrowLeft') return boxes[at - 1];
  const own = from.getBoundingClientRect();
  const side = key === 'ArrowDown' ? 1 : -1;
  const [nearest] = boxes
    .map((box) => ({ box, rect: box.getBoundingClientRect() }))
    .filter(({ rect }) => (rect.top - own.top) * side > 4)
    .sort(
      (a, b) =>
        Math.abs(a.rect.top - own.top) - Math.abs(b.rect.top - own.top) ||
        Math.abs(a.rect.left - own.left) - Math.abs(b.rect.left - own.left),
    );
  return nearest?.box;
}

interface ChooseBoxProps {
  id: number;
  name: string;
  /** Address of its record, which the Enter key opens. */
  record: string;
}

/** The box by which a thing of a list is chosen. Arrow keys go to its neighbours, Enter opens it, Escape lets all go. */
export function ChooseBox({ id, name, record }: ChooseBoxProps) {
  const { chosen, choose, chooseAll } = useChosen();
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    const box = event.currentTarget;
    if (event.key.startsWith('Arrow')) {
      const all = box.closest('[data-choosing]')?.querySelectorAll<HTMLInputElement>('input[data-choose]');
      const to = neighbour([...(all ?? [])], box, event.key);
      to?.focus();
      to?.scrollIntoView({ block: 'nearest' });
      event.preventDefault();
    } else if (event.key === 'Enter') {
      event.preventDefault();
      globalThis.location.assign(record);
    } else if (event.key === 'Escape') chooseAll(false);
  };
  return (
    <input
      type="checkbox"
      data-choose
      aria-label={`Choose ${name}`}
      className="size-4 accent-green"
      checked={chosen.has(id)}
      onChange={(event) =>
        choose(id, event.target.checked, (event.nativeEvent as unknown as MouseEvent).shiftKey === true)
      }
      onKeyDown={onKeyDown}
    />
  );
}

/** Chooses all of the sheet, or lets all go. */
export function ChooseAll() {
  const { items, chosen, chooseAll } = useChosen();
  return (
    <label className="flex items-center gap-1.5">
      <input
        type="checkbox"
        className="size-4 accent-green"
        checked={items.length > 0 && chosen.size === items.length}
        onChange={(event) => chooseAll(event.target.checked)}
      />
      All
    </label>
  );
}
