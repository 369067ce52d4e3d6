import type { PlaceholderClue } from '@/core/picture/placeholder';
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
  const isSaid = clues.some(({ text }) => text.startsWith('You said'));
  const shown = isPlaceholder || belief > 0.3 || isSaid;
  const teach = (teaching: 'placeholder' | 'not a placeholder' | null, words: string) =>
    mayTeach ? (
      <TeachButton slug={slug} ids={[pictureId]} teaching={teaching}>
        {words}
      </TeachButton>
    ) : null;
  if (!shown) return <p className="text-sm">{teach('placeholder', 'This is a leftover of a template')}</p>;
  return (
    <Note
      degree={isPlaceholder ? 'must' : 'note'}
      head={isPlaceholder ? 'leftover template picture' : 'no leftover'}
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
        {isPlaceholder && !isSaid ? teach('not a placeholder', 'It is none') : null}
        {!isPlaceholder && !isSaid ? teach('placeholder', 'It is one') : null}
      </p>
    </Note>
  );
}
