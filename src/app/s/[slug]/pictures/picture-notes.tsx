import type { ReactNode } from 'react';
import type { PictureRow } from '@/app/_data/pictures/pictures';
import { spanText } from '@/core/dating/shelf-life';
import { isTaught, leftoverStrength, type Teaching } from '@/core/picture/leftover-strength';
import { changedText, KIND_NAME } from '@/ui/date-words';
import { count, numberText } from '@/ui/format';
import { LEFTOVER_WORDS } from '@/ui/leftover-words';
import { Link } from '@/ui/link';
import { Note } from '@/ui/note';
import { Clues } from './clues';
import { TeachButton } from './teach-button';

interface PictureNotesProps {
  slug: string;
  row: PictureRow;
  mayTeach: boolean;
}

/** What is wrong with one picture of the list, level with it, and the one thing to do. */
export function PictureNotes({ slug, row, mayTeach }: PictureNotesProps) {
  const swap = (words: string) => (
    <Link href={`/s/${slug}/pictures/${row.id}/swap`} className="font-semibold text-green">
      {words}
    </Link>
  );
  const places = row.places === 1 ? 'Swap it' : `Swap all ${numberText(row.places)}`;
  return (
    <>
      {row.sha256 === null && !row.problem && row.isPlaced ? (
        <Note degree="must" head="the file is missing">
          {count(row.places, 'place')} ask for it and show a gap. {swap('Choose another picture')}
        </Note>
      ) : null}
      {row.problem ? (
        <Note degree="must" head="it can’t be read">
          {row.problem} {row.isPlaced ? swap('Choose another picture') : null}
        </Note>
      ) : null}
      {row.places > 0 ? <LeftoverNote {...{ slug, row, mayTeach }} swap={swap(places)} /> : null}
      {row.changed && row.places > 0 && !row.is_placeholder ? (
        <Note degree="should" head="what it shows has changed">
          {changedText(row.changed, row)} {swap('Choose another picture')}
        </Note>
      ) : null}
      {row.overdue > 1 && !row.changed && row.kind && row.places > 0 && !row.is_placeholder ? (
        <Note degree="should" head="past its time">
          {KIND_NAME[row.kind]}, current until{' '}
          {spanText({ from: null, until: row.current_until }).replace('by ', '')}.{' '}
          {swap('Choose another picture')}
        </Note>
      ) : null}
      {row.undescribed > 0 ? (
        <Note degree="must" head={`no alt text in ${count(row.undescribed, 'place')}`}>
          A screen reader can only spell the file’s name there.
        </Note>
      ) : null}
      {row.places === 0 && row.sha256 && row.isPlaced ? (
        <Note degree="note" head="on no page">
          No page or style sheet shows it.
        </Note>
      ) : null}
    </>
  );
}

/** How sure it is that a picture is a leftover, what tells it, and a press for either answer. */
function LeftoverNote({ slug, row, mayTeach, swap }: PictureNotesProps & { swap: ReactNode }) {
  const strength = leftoverStrength(row.belief);
  const clues = row.clues ?? [];
  if (strength === null) return null;
  const isSaid = isTaught(clues);
  const press = (teaching: Teaching | null, words: string) =>
    mayTeach && row.picture_id !== null ? (
      <TeachButton slug={slug} ids={[row.picture_id]} teaching={teaching}>
        {words}
      </TeachButton>
    ) : null;
  return (
    <Note
      degree={row.is_placeholder ? 'must' : 'note'}
      head={isSaid ? 'a leftover of the template' : LEFTOVER_WORDS[strength]}
    >
      <Clues clues={clues} />
      <p className="mt-0.5 flex flex-wrap gap-x-4">
        {row.is_placeholder ? swap : null}
        {isSaid ? press(null, 'Take that back') : press('placeholder', 'It is one')}
        {isSaid ? null : press('not a placeholder', 'It is none')}
      </p>
    </Note>
  );
}
