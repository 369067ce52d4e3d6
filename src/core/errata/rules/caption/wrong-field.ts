import type { StoredWords } from '../../../markup/stored-words';
import { isPicture } from '../../places';
import type { PictureFacts, PlacementToCheck } from '../../page-to-check';
import type { Rule } from '../../rule';
import { alike } from '../../words/alike';
import { isToldBeside } from '../../words/told-beside';

const LEAST_LETTERS = 12;
/** Fields that are there for what readers are to see below a picture. */
const FOR_CAPTION = /(?:caption|description|desc|legend)$/u;

export const wrongField: Rule = {
  id: 'caption/wrong-field',
  degree: 'should',
  level: 'read',
  title: 'The caption is taken from the wrong field',
  why: 'Readers see a name that was given for the archive; what was written for them stays behind.',
  remedy: 'Show the description that is kept, or set the gallery to that field.',
  standard: 'IPTC Photo Metadata: Title is a name for the archive, Description is what readers are told',
  applies: isPicture,
  check: (placement, { picture }) => {
    const { caption } = placement;
    if (!caption) return null;
    for (const [meant, others] of pairs(placement, picture)) {
      if (meant.text.length < LEAST_LETTERS || isToldBeside(placement, meant.text)) continue;
      const shown = others.find(({ text }) => alike(text, caption));
      if (!shown) continue;
      return {
        evidence: `Readers see “${caption}”, ${shown.name}; ${meant.name} says “${meant.text}”.`,
        fix: { field: 'caption', text: meant.text },
      };
    }
    return null;
  },
  examples: [
    {
      html: '<figure><img src="a.jpg" alt="A choir" title="Winter 3" data-caption="Both choirs before the winter concert"><figcaption>Winter 3</figcaption></figure>',
      evidence:
        'Readers see “Winter 3”, the title; “data-caption” says “Both choirs before the winter concert”.',
    },
    {
      html: '<figure><img src="a.jpg" alt="A choir"><figcaption>Concert 12 b</figcaption></figure>',
      evidence:
        'Readers see “Concert 12 b”, the title in its file; the description in its file says “Both choirs before the winter concert”.',
      files: {
        'a.jpg': { embeddedTitle: 'Concert 12 b', embedded: 'Both choirs before the winter concert' },
      },
    },
    {
      html: '<figure><img src="a.jpg" alt="A choir" title="Winter 3" data-caption="Both choirs before the winter concert"><figcaption>Both choirs before the winter concert</figcaption></figure>',
      evidence: null,
    },
    {
      html: '<figure><img src="a.jpg" alt="A choir" data-caption="Both choirs before the winter concert"><figcaption>The winter concert of 2023</figcaption></figure>',
      evidence: null,
    },
  ],
};

interface Field {
  /** As a sentence names it. */
  readonly name: string;
  readonly text: string;
}

const nameOf = ({ attribute }: StoredWords) => (attribute === 'title' ? 'the title' : `“${attribute}”`);

/** Each field that is meant for readers, with those of its own kind that are not. */
function* pairs(
  { context, alt }: PlacementToCheck,
  picture: PictureFacts | null,
): Generator<readonly [meant: Field, others: readonly Field[]]> {
  const stored = (context.stored ?? []).map((one) => ({ ...one, name: nameOf(one) }));
  const others = [
    ...stored.filter(({ attribute }) => !FOR_CAPTION.test(attribute)),
    { name: 'the alt text', text: alt ?? '' },
  ];
  for (const meant of stored) if (FOR_CAPTION.test(meant.attribute)) yield [meant, others];
  const embedded = picture?.embedded?.trim() ?? '';
  const title = { name: 'the title in its file', text: picture?.embeddedTitle?.trim() ?? '' };
  yield [{ name: 'the description in its file', text: embedded }, [title]];
}
