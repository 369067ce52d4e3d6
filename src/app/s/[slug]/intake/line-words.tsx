'use client';

import { useEffect, useRef } from 'react';
import type { DeliveryLine } from '@/app/_data/intake/delivery';
import { Button } from '@/ui/button';
import { Key } from '../text-desk/keys';

interface LineWordsProps {
  line: DeliveryLine;
  onKeep: (words: Partial<DeliveryLine>, goesOn: boolean) => void;
  onStrike: () => void;
}

/** The words of a picture, as at the text desk: typed one after another, kept by a key, and on to the next line. */
export function LineWords({ line, onKeep, onStrike }: LineWordsProps) {
  const form = useRef<HTMLFormElement>(null);
  useEffect(() => {
    form.current?.querySelector<HTMLElement>('#line-alt')?.focus();
    form.current?.closest('li')?.scrollIntoView({ block: 'nearest' });
  }, []);
  const keep = (goesOn: boolean) => {
    if (!form.current) return;
    const data = new FormData(form.current);
    const text = (name: string) => String(data.get(name) ?? '').trim();
    const words = {
      title: text('title') || line.title,
      ...{ alt: text('alt'), caption: text('caption'), credit: text('credit'), folder: text('folder') },
      tags: [...new Set(text('tags').split(',').map((tag) => tag.trim()).filter(Boolean))], // oxfmt-ignore
    };
    onKeep(words, goesOn);
  };
  return (
    <form
      ref={form}
      className="grid grid-cols-2 gap-x-5 gap-y-2 border-t border-line-2 bg-sheet py-3 pr-5 pl-[102px] max-lg:grid-cols-1 max-lg:pl-5"
      onSubmit={(event) => {
        event.preventDefault();
        keep(true);
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
          event.preventDefault();
          keep(true);
        }
      }}
    >
      <Words name="alt" label="Alt text, read aloud in its place" value={line.alt} rows={2} />
      <Words name="caption" label="Caption, under it" value={line.caption} rows={2} />
      <Words name="title" label="Title; the file is named by it" value={line.title} />
      <Words
        name="credit"
        label="Credit: who made it, where it is from"
        value={line.credit || line.source || ''}
      />
      <Words name="folder" label="Folder in the intake, as in Concerts/2026" value={line.folder} />
      <Words name="tags" label="Tags, with commas between them" value={line.tags.join(', ')} />
      <div className="col-span-full flex flex-wrap gap-2">
        <Button weight="main" type="submit">
          Keep, check off, and the next <Key>Ctrl Enter</Key>
        </Button>
        <Button weight="quiet" onClick={() => keep(false)}>
          Keep
        </Button>
        <Button weight="quiet" className="ml-auto" onClick={onStrike}>
          {line.isStruck ? 'It comes after all' : 'Strike it out'}
        </Button>
      </div>
    </form>
  );
}

interface WordsProps {
  name: string;
  label: string;
  value: string;
  rows?: number;
}

function Words({ name, label, value, rows = 1 }: WordsProps) {
  const look = 'mt-0.5 block w-full border-b border-ink bg-sheet font-serif text-[16px] leading-[22px]';
  return (
    <div>
      <label htmlFor={`line-${name}`} className="block text-sm text-ink-2">
        {label}
      </label>
      {rows > 1 ? (
        <textarea
          id={`line-${name}`}
          name={name}
          rows={rows}
          maxLength={2000}
          defaultValue={value}
          className={`${look} resize-y`}
        />
      ) : (
        <input id={`line-${name}`} name={name} maxLength={500} defaultValue={value} className={look} />
      )}
    </div>
  );
}
