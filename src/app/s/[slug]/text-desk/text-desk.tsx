'use client';

import { useEffect, useRef, useState } from 'react';
import type { DeskEntry } from '@/app/_data/words/text-desk-queue';
import type { DeskItem } from '@/app/_data/words/text-desk-item';
import { mayBeDecoration } from '@/core/errata/alt-branch';
import { Button } from '@/ui/button';
import { count } from '@/ui/format';
import { useCloseWarning } from '@/ui/close-warning';
import { Link } from '@/ui/link';
import { ProblemText } from '@/ui/problem-text';
import { altOfField, withAlt, withBlock, withOwn } from './desk-words';
import { Key, Keys } from './keys';
import { KnownOfIt } from './known-of-it';
import { DeskMargin, type RuleWords } from './margin';
import { PlaceFields } from './place-fields';
import { Strip } from './strip';
import { useDesk } from './use-desk';
import { useFindings } from './use-findings';

interface TextDeskProps {
  slug: string;
  entries: readonly DeskEntry[];
  /** The one to begin with, so that nothing is waited for. */
  first: DeskItem | null;
  /** What is gone through, in words. */
  of: string;
  back: string;
  rules: readonly RuleWords[];
}

/** Pictures one after another with everything that is known of them, and fields for their words; by keys alone. */
export function TextDesk({ slug, entries: laidOut, first, of, back, rules }: TextDeskProps) {
  // The worker may find and lose errata meanwhile: the order of a sitting stays as it was begun.
  const [entries] = useState(laidOut);
  const desk = useDesk(slug, entries, first);
  const { at, entry, item, typed, kept, problem, past, isWaiting } = desk;
  const [focused, setFocused] = useState({ key: '', at: 0 });
  const place = focused.key === entry?.key ? focused.at : 0;
  const { findingsOf, isUnchecked } = useFindings(slug, item ?? null, typed);
  const sheet = useRef<HTMLDivElement>(null);
  const key = entry?.key;
  const isThere = item !== undefined;

  useEffect(() => {
    if (!isThere) return;
    const field = sheet.current?.querySelector('textarea');
    field?.focus();
    field?.setSelectionRange(field.value.length, field.value.length);
  }, [key, isThere]);

  // What is on its way to the edition is not there yet.
  useCloseWarning(isWaiting);
  const here = item?.places[place];
  const putDraft = (n: number) => {
    const draft = here?.drafts[n];
    if (draft) desk.type(withAlt(typed, place, draft.text));
  };
  const decorate = () => {
    if (!here?.takes.alt || !mayBeDecoration(here.place)) return;
    const isDecoration = typed[place]?.alt === '';
    desk.type(withAlt(typed, place, isDecoration ? altOfField('', here.place.alt || null) : ''));
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    const deed = deedOf(event, {
      keep: desk.keep,
      back: desk.takeBack,
      go: (by) => desk.go(at + by),
      putDraft,
      decorate,
      block: () => {
        if (here?.takes.block && item?.readText && !typed[place]?.block)
          desk.type(withBlock(typed, place, item.readText));
      },
      own: () => desk.type(withOwn(typed, place, !typed[place]?.isOwn)),
    });
    if (!deed) return;
    event.preventDefault();
    deed();
  };
  return (
    <main className="flex min-h-[calc(100vh-46px)] flex-col bg-sheet" onKeyDown={onKeyDown}>
      <DeskHead
        of={of}
        back={back}
        at={at}
        pictures={entries.length}
        kept={[...kept.values()].filter((one) => one === 'kept').length}
        onTakeBack={past.length > 0 ? desk.takeBack : null}
      />
      <Strip slug={slug} entries={entries} at={at} kept={kept} onGo={desk.go} />
      {problem ? (
        <div className="flex items-start gap-4 border-b border-line px-5 py-2">
          <ProblemText problem={problem.problem} />
          {problem.key === key ? null : (
            <Button
              weight="quiet"
              onClick={() => desk.go(entries.findIndex((one) => one.key === problem.key))}
            >
              Go back to it
            </Button>
          )}
        </div>
      ) : null}
      {item ? (
        <div
          ref={sheet}
          key={key}
          className="grid flex-1 grid-cols-[290px_minmax(0,1fr)_262px] max-lg:grid-cols-[240px_minmax(0,1fr)] max-md:grid-cols-1"
        >
          <KnownOfIt slug={slug} item={item} drafts={here?.drafts ?? []} onPut={putDraft} />
          <ul className="border-l border-line max-md:border-l-0">
            {item.places.map((one, i) => (
              <PlaceFields
                key={one.ids[0]}
                slug={slug}
                item={item}
                typed={typed}
                at={i}
                onType={desk.type}
                onFocus={() => setFocused({ key: item.key, at: i })}
              />
            ))}
            {item.more > 0 ? <MoreKinds more={item.more} /> : null}
          </ul>
          {here ? (
            <DeskMargin
              place={here}
              words={typed[place]}
              findings={findingsOf(here)}
              isUnchecked={isUnchecked}
              rules={rules}
            />
          ) : null}
        </div>
      ) : (
        <p className="flex-1 px-5 py-6 text-ink-2">
          {item === null
            ? 'It stands nowhere any more: a survey has read its pages since. Go on to the next.'
            : 'It is being laid out …'}
        </p>
      )}
      <Keys
        isLast={at === entries.length - 1}
        isFirst={at === 0}
        onKeep={desk.keep}
        onGo={(by) => desk.go(at + by)}
      />
    </main>
  );
}

/** Tells that a picture has more kinds of places than are laid out. */
function MoreKinds({ more }: { more: number }) {
  return (
    <li className="px-5 py-3 text-ink-2">
      {count(more, 'more kind of place', 'more kinds of place')} where fewer readers meet it
      {more === 1 ? ' is' : ' are'} not laid out here. Those that say the same become one kind once the site
      is read again.
    </li>
  );
}

interface DeskHeadProps {
  of: string;
  back: string;
  at: number;
  pictures: number;
  /** How many of them the edition has words for, of this sitting. */
  kept: number;
  onTakeBack: (() => void) | null;
}

function DeskHead({ of, back, at, pictures, kept, onTakeBack }: DeskHeadProps) {
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line px-5 py-2">
      <h1 className="font-semibold">
        Text desk <span className="font-normal text-ink-2">{of}</span>
      </h1>
      <p className="text-ink-2" aria-live="polite">
        {at + 1} of {count(pictures, 'picture')}
        {kept > 0 ? `, ${kept} in the edition` : ''}
      </p>
      <span className="ml-auto" />
      {onTakeBack ? (
        <Button weight="quiet" onClick={onTakeBack}>
          Take the last back <Key>Alt Z</Key>
        </Button>
      ) : null}
      <Link href={back} className="text-green">
        To the errata
      </Link>
    </div>
  );
}

interface Deeds {
  keep: () => void;
  back: () => void;
  go: (by: 1 | -1) => void;
  putDraft: (n: number) => void;
  decorate: () => void;
  own: () => void;
  block: () => void;
}

/** What a key asks for, or nothing. By the key’s place, since Alt writes other letters on some keyboards. */
function deedOf(event: React.KeyboardEvent, deeds: Deeds): (() => void) | null {
  if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) return deeds.keep;
  if (!event.altKey || event.ctrlKey || event.metaKey) return null;
  const digit = /^Digit(\d)$/.exec(event.code)?.[1];
  if (digit === '0') return deeds.decorate;
  if (digit) return () => deeds.putDraft(Number(digit) - 1);
  if (event.code === 'ArrowDown') return () => deeds.go(1);
  if (event.code === 'ArrowUp') return () => deeds.go(-1);
  if (event.code === 'KeyO') return deeds.own;
  if (event.code === 'KeyT') return deeds.block;
  return event.code === 'KeyZ' ? deeds.back : null;
}
