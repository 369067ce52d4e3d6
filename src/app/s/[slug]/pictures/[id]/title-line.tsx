'use client';

import { useState } from 'react';
import { Button } from '@/ui/button';
import { keepTitles } from '../actions';
import { DeedTold, useDeed } from '../use-deed';

interface TitleLineProps {
  slug: string;
  pictureId: number;
  title: string | null;
  /** What the picture is called where it has no title: its file’s name. */
  name: string;
  mayTitle: boolean;
}

/** The picture’s title as its heading, with the way to give it one. */
export function TitleLine({ slug, pictureId, title, name, mayTitle }: TitleLineProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const deed = useDeed(slug);
  const save = () => {
    const given = typed?.trim() ?? '';
    deed.say(
      given === '' ? 'Its title is taken away.' : 'Its title is kept.',
      () => keepTitles(slug, [{ id: pictureId, title: given }]),
      () => setTyped(null),
    );
  };
  return (
    <>
      {title ? (
        <>
          <h1 className="font-serif text-xl font-semibold">{title}</h1>
          <p className="text-ink-2 break-all">{name}</p>
        </>
      ) : (
        <h1 className="text-xl font-semibold break-all">{name}</h1>
      )}
      {mayTitle && typed === null ? (
        <button type="button" className="text-sm text-green" onClick={() => setTyped(title ?? '')}>
          {title ? 'Change its title' : 'Give it a title'}
        </button>
      ) : null}
      {typed !== null ? (
        <form
          className="mt-1 flex gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            save();
          }}
        >
          <input
            autoFocus
            aria-label="Title"
            maxLength={200}
            className="min-w-0 flex-1 rounded-sm border border-ink-3 bg-sheet px-2.5 py-1 font-serif text-lg"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Escape') setTyped(null);
            }}
          />
          <Button type="submit" disabled={deed.isBusy}>
            Save
          </Button>
        </form>
      ) : null}
      <DeedTold deed={deed} mayClose />
    </>
  );
}
