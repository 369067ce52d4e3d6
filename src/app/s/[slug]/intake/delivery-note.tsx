'use client';

import { useCallback } from 'react';
import type { DeliveryView } from '@/app/_data/intake/delivery';
import { Empty } from '@/ui/empty';
import { FootBar, Told } from '@/ui/foot-bar';
import { ProblemText } from '@/ui/problem-text';
import { BulkWords } from './bulk-words';
import { DropPlace } from './drop-place';
import { Lines } from './lines';
import { NotTaken } from './not-taken';
import { NoteHead } from './note-head';
import { Progress } from './progress';
import { useDelivery } from './use-delivery';
import { useNote } from './use-note';
import { useUploads } from './use-uploads';

/** A delivery note: what arrives is checked off line by line. */
export function DeliveryNote({ slug, first }: { slug: string; first: DeliveryView | null }) {
  const { view, now, ask, patch } = useDelivery(slug, first);
  const { sendings, startedAt, add, clear } = useUploads(slug, ask);
  const note = useNote(slug, { view, ask, patch });
  const { lines, chosen, undo } = note;
  const send = useCallback((files: readonly File[]) => void add(files), [add]);
  return (
    <main
      className="min-h-[calc(100vh-46px)] bg-sheet"
      onKeyDown={note.onKey}
      onClickCapture={note.onClickCapture}
    >
      <NoteHead slug={slug} view={view} onPutAside={() => note.putNoteAside(clear)} />
      <DropPlace slug={slug} onFiles={send} onFetched={ask} />
      <Progress sendings={sendings} startedAt={startedAt} now={now} onClear={clear} />
      <NotTaken slug={slug} uploads={view?.uploads ?? []} sendings={sendings} onGone={ask} />
      {note.problem ? (
        <div className="px-5 py-2">
          <ProblemText problem={note.problem} />
        </div>
      ) : null}
      {lines.length === 0 ? (
        <Empty head="Nothing has arrived yet">
          What arrives is listed here line by line, and is told at once: whether the site has it already,
          whether it is blurred or small. Nothing of it is on the site before an edition is published.
        </Empty>
      ) : (
        <Lines slug={slug} note={note} />
      )}
      {chosen.size > 0 || undo ? (
        <FootBar label="What was done">
          {chosen.size > 0 ? (
            <BulkWords
              lines={lines.filter(({ id }) => chosen.has(id))}
              isBusy={note.isBusy}
              onWrite={(changes, told) => {
                note.write(changes, told);
                note.setChosen(new Set());
              }}
              onAll={() => note.setChosen(new Set(lines.map(({ id }) => id)))}
              onNone={() => note.setChosen(new Set())}
            />
          ) : undo ? (
            <Told
              isBusy={note.isBusy}
              onTakeBack={() => note.write(undo.before, 'It is as it was.')}
              onClose={() => note.setUndo(null)}
            >
              {undo.told}
            </Told>
          ) : null}
        </FootBar>
      ) : null}
    </main>
  );
}
