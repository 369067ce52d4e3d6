import { isTaught, leftoverStrength, type PlaceholderClue } from '@/core/picture/leftover-strength';
import { LEFTOVER_WORDS } from '@/ui/leftover-words';
import { Note } from '@/ui/note';
import { TeachButton } from '../teach-button';

interface LeftoverProps {
  slug: string;
  pictureId: number;
  isPlaceholder: boolean;
  belief: number;
  clues: readonly PlaceholderClue[];
  mayTeach: boolean;
}

/** Whether a picture is a leftover of a template, what speaks for it and against it, and the press that settles it. */
export function Leftover({ slug, pictureId, isPlaceholder, belief, clues, mayTeach }: LeftoverProps) {
  const isSaid = isTaught(clues);
  const strength = leftoverStrength(belief);
  const teach = (teaching: 'placeholder' | 'not a placeholder' | null, words: string) =>
    mayTeach ? (
      <TeachButton slug={slug} ids={[pictureId]} teaching={teaching}>
        {words}
      </TeachButton>
    ) : null;
  if (strength === null && !isSaid)
    return <p className="text-sm">{teach('placeholder', 'This is a leftover of a template')}</p>;
  return (
    <Note
      degree={isPlaceholder ? 'must' : 'note'}
      head={
        isSaid
          ? isPlaceholder
            ? 'a leftover of the template'
            : 'no leftover'
          : LEFTOVER_WORDS[strength ?? 'maybe']
      }
    >
      <ul className="list-none">
        {clues.map(({ text, weight }) => (
          <li key={text}>
            {weight > 0 ? '+' : '−'} {text}
          </li>
        ))}
      </ul>
      <p className="mt-1 flex gap-4">
        {isSaid ? teach(null, 'Take that back') : null}
        {isSaid ? null : teach('placeholder', 'It is one')}
        {isSaid ? null : teach('not a placeholder', 'It is none')}
      </p>
    </Note>
  );
}
