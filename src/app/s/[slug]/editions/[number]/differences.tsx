import type { edits } from '@/server/db/schema/editions';
import { shownText } from './shown-text';

type Edit = typeof edits.$inferSelect;

const SUBJECT = {
  reference: 'File',
  alt: 'Alt text',
  caption: 'Caption',
  block: 'Text under it',
  place: 'Taken off',
  statement: 'For search engines',
  credits: 'The list of credits',
  link: 'Link in the foot',
} as const;

const LOOK: Partial<Record<Edit['subject'], string>> = {
  reference: 'text-sm wrap-anywhere',
  statement: 'text-sm whitespace-pre-line',
};

/** What changes at one place: each old value struck through above the new one. */
export function Differences({ edits: listed }: { edits: readonly Edit[] }) {
  return (
    <dl className="mt-1">
      {listed.filter(isTold).map((edit) => {
        const isOpening = edit.subject === 'reference' && edit.was === '<';
        const was = isOpening ? '' : shownText(edit.was, edit.subject);
        return (
          <div key={edit.id} className="mt-1">
            <dt className="text-sm text-ink-3">{isOpening ? 'Second format' : SUBJECT[edit.subject]}</dt>
            <dd className={LOOK[edit.subject] ?? 'font-serif whitespace-pre-line'}>
              {was ? <del className="block text-ink-3">{was}</del> : null}
              <ins className="block no-underline">
                {shownText(isOpening ? edit.becomes.slice(0, -1) : edit.becomes, edit.subject) || (
                  <span className="font-sans text-ink-2">{NOTHING[edit.subject]}</span>
                )}
              </ins>
            </dd>
          </div>
        );
      })}
    </dl>
  );
}

/** That a second format's element ends behind the picture goes without saying. */
const isTold = ({ subject, was }: Edit): boolean => subject !== 'reference' || was !== '>';

const NOTHING = {
  reference: '',
  alt: 'none: marked as decoration',
  caption: 'none',
  block: '',
  place: '',
  statement: 'nothing any more',
  credits: 'nothing any more',
  link: '',
} as const;
