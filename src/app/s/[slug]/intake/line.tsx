'use client';

import { Check } from 'lucide-react';
import type { DeliveryLine } from '@/app/_data/intake/delivery';
import { Note } from '@/ui/note';
import { bytesText, pixelsText } from '@/ui/format';
import { Link } from '@/ui/link';
import { Mat } from '@/ui/mat';
import { findingText } from './finding-text';
import { LineWords } from './line-words';

interface LineProps {
  slug: string;
  line: DeliveryLine;
  /** From 1. */
  number: number;
  isOpen: boolean;
  isChosen: boolean;
  onOpen: () => void;
  onChoose: () => void;
  onCheck: () => void;
  onStrike: () => void;
  onKeep: (words: Partial<DeliveryLine>, goesOn: boolean) => void;
}

/** A line of the delivery note: the picture, what it is, what is to be said of it, and the box in which it is checked off. */
export function Line(props: LineProps) {
  const { slug, line, number, isOpen } = props;
  const { isStruck, isChecked } = line;
  return (
    <>
      <div className="grid grid-cols-[20px_34px_148px_minmax(0,1fr)_264px_44px] items-start gap-3 px-5 py-2.5 max-lg:grid-cols-[20px_24px_96px_minmax(0,1fr)_36px]">
        <input
          type="checkbox"
          className="mt-1 accent-green"
          aria-label={`Choose ${line.title}`}
          checked={props.isChosen}
          onChange={props.onChoose}
        />
        <span className="pt-0.5 text-right text-ink-2 tabular-nums">{number}</span>
        <div className={isStruck ? 'opacity-40' : ''}>
          <Mat src={`/s/${slug}/image/${line.sha256}`} alt="" width={148} height={100} />
        </div>
        <div className="min-w-0">
          <button
            type="button"
            aria-expanded={isOpen}
            onClick={props.onOpen}
            className={`block max-w-full truncate text-left font-serif text-lg font-semibold ${isStruck ? 'text-ink-3 line-through' : ''}`}
          >
            {line.title}
          </button>
          <p className="truncate text-sm text-ink-2">{line.entry || line.fileName}</p>
          <p className="text-sm text-ink-2">
            {pixelsText(line.widthPx, line.heightPx)}, {bytesText(line.sizeBytes)}
            {line.takenYear ? `, taken in ${line.takenYear}` : ''}
            {line.isRevised ? ', corrected' : ''}
            {line.isStruck || line.format === 'svg' ? null : (
              <>
                {' · '}
                <Link className="font-semibold text-green" href={`/s/${slug}/revise?line=${line.id}`}>
                  Crop and correct
                </Link>
              </>
            )}
          </p>
          <p className={`mt-0.5 line-clamp-2 font-serif ${line.alt ? '' : 'text-ink-3 italic'}`}>
            {line.alt || 'not described yet'}
          </p>
          {line.tags.length > 0 || line.folder ? (
            <p className="mt-0.5 text-sm text-ink-2">
              {[line.folder && `in ${line.folder}`, ...line.tags].filter(Boolean).join(' · ')}
            </p>
          ) : null}
        </div>
        <Findings slug={slug} line={line} />
        <button
          type="button"
          role="checkbox"
          aria-checked={isChecked}
          aria-label={`Check off ${line.title}`}
          disabled={isStruck}
          onClick={props.onCheck}
          className={`flex h-9 w-9 items-center justify-center rounded-sm border-2 max-lg:col-start-5 max-lg:row-start-1 disabled:opacity-30 ${isChecked ? 'border-green bg-green text-green-ink' : 'border-ink-3 bg-sheet'}`}
        >
          {isChecked ? <Check size={20} aria-hidden /> : null}
        </button>
      </div>
      {isOpen ? <LineWords line={line} onKeep={props.onKeep} onStrike={props.onStrike} /> : null}
    </>
  );
}

function Findings({ slug, line }: { slug: string; line: DeliveryLine }) {
  if (line.findings === null)
    return <p className="text-sm text-ink-3 max-lg:col-start-4">is being looked at …</p>;
  if (line.findings.length === 0)
    return <p className="text-sm text-ink-2 max-lg:col-start-4">Nothing against it.</p>;
  return (
    <div className="space-y-1 max-lg:col-start-4">
      {line.findings.map((found) => {
        const { degree, text } = findingText(found);
        const canReplace = found.kind === 'same picture' && (found.relation === 'larger' || found.relation === 'holds it'); // oxfmt-ignore
        return (
          <Note key={found.kind} degree={degree} head={text}>
            {'path' in found && found.fileId ? (
              <Link
                className="font-semibold text-green"
                href={
                  canReplace
                    ? `/s/${slug}/pictures/${found.fileId}/swap?with=${line.id}`
                    : `/s/${slug}/pictures/${found.fileId}`
                }
              >
                {canReplace ? 'Put it in its place' : 'Look at that one'}
              </Link>
            ) : null}
          </Note>
        );
      })}
    </div>
  );
}
