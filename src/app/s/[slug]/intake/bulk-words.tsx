'use client';

import { useState } from 'react';
import type { DeliveryLine } from '@/app/_data/intake/delivery';
import type { LineChanged } from '@/server/work/intake/change-lines';
import { Button } from '@/ui/button';
import { count } from '@/ui/format';

interface BulkWordsProps {
  lines: readonly DeliveryLine[];
  isBusy: boolean;
  onWrite: (changes: readonly LineChanged[], told: string) => void;
  onAll: () => void;
  onNone: () => void;
}

/** What is done with all chosen lines at once. */
export function BulkWords({ lines, isBusy, onWrite, onAll, onNone }: BulkWordsProps) {
  const [text, setText] = useState('');
  const many = count(lines.length, 'line');
  const each = (change: (line: DeliveryLine) => Omit<LineChanged, 'id'>, told: string) =>
    onWrite(
      lines.map((line) => ({ id: line.id, ...change(line) })),
      told,
    );
  const word = text.trim();
  const allStruck = lines.every(({ isStruck }) => isStruck);
  return (
    <>
      <p className="font-semibold">{many} chosen</p>
      <Button weight="quiet" onClick={onAll}>
        All
      </Button>
      <Button weight="quiet" onClick={onNone}>
        None
      </Button>
      <input
        aria-label="Tag or folder for the chosen lines"
        placeholder="tag or folder"
        value={text}
        maxLength={60}
        onChange={(event) => setText(event.target.value)}
        className="w-40 rounded-sm border border-ink-3 bg-sheet px-2 py-1.5"
      />
      <Button
        disabled={isBusy || word === ''}
        onClick={() =>
          each(({ tags }) => ({ tags: [...new Set([...tags, word])] }), `${many} tagged “${word}”.`)
        }
      >
        Tag
      </Button>
      <Button
        disabled={isBusy || word === ''}
        onClick={() => each(() => ({ folder: word }), `${many} put into ${word}.`)}
      >
        Put into folder
      </Button>
      <Button
        disabled={isBusy || allStruck}
        onClick={() => each(() => ({ isChecked: true }), `${many} checked off.`)}
      >
        Check off
      </Button>
      <Button
        disabled={isBusy}
        onClick={() =>
          each(
            () => ({ isStruck: !allStruck, isChecked: false }),
            allStruck ? `${many} come after all.` : `${many} struck out.`,
          )
        }
      >
        {allStruck ? 'They come after all' : 'Strike out'}
      </Button>
    </>
  );
}
