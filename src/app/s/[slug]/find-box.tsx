'use client';

import { useSearchParams } from 'next/navigation';
import { useEffect, useRef } from 'react';

/** The search box; `/` leads to it from anywhere. */
export function FindBox({ slug }: { slug: string }) {
  const box = useRef<HTMLInputElement>(null);
  const query = useSearchParams().get('q') ?? '';
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const isWriting =
        event.target instanceof HTMLElement && /^(?:INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName);
      if (event.key !== '/' || isWriting || event.ctrlKey || event.metaKey) return;
      event.preventDefault();
      box.current?.focus();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);
  return (
    <form
      action={`/s/${slug}/find`}
      role="search"
      aria-label="The whole site"
      className="relative w-60 max-md:w-auto max-md:min-w-0 max-md:flex-1"
    >
      <input
        ref={box}
        key={query}
        name="q"
        defaultValue={query}
        aria-label="Find a picture, page or word"
        placeholder="Find a picture, page or word"
        className="w-full rounded-sm border border-line bg-mat px-2.5 py-1 placeholder:text-ink-3"
      />
      <kbd
        aria-hidden
        className="absolute top-1.5 right-2 max-md:hidden rounded-sm border border-line px-1.5 text-sm leading-4 text-ink-3"
      >
        /
      </kbd>
    </form>
  );
}
