import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { isOnlyCredit } from '../../words/credit-lines';
import { isFileName } from '../../words/empty-texts';
import { sharedWords } from '../../../words/content-words';
import { namesIn, nameOthers } from '../../../words/proper-names';
import { pageWords, telling } from '../../words/picture-words';
import { isOfTemplate } from './template-words';

export const sameCaption: Rule = {
  id: 'caption/same-words',
  degree: 'should',
  level: 'read',
  title: 'Other pictures on this page have the same caption',
  why: 'It tells none of them from the others.',
  remedy: 'Say of each what is special about it, or give the row one caption.',
  applies: isPicture,
  check: (placement, { page, picture }) => {
    const { caption, filePath, url, raw } = placement;
    if (!caption || !/\p{L}/u.test(caption) || isOnlyCredit(caption) || isFileName(caption, raw)) return null;
    if (isOfTemplate(caption, page.language)) return null;
    const words = pageWords(page);
    const own = words.of(placement);
    // Of a copy and what it was copied from, the one that fits its picture is right.
    const fits = own !== null && sharedWords(telling(own.alt, words), own.caption).length > 0;
    if (fits) return null;
    const others = words.saying('caption', caption).filter(({ placement: other }) => {
      const id = page.pictures.get(other.filePath ?? '')?.pictureId ?? null;
      return (
        (other.filePath ?? other.url) !== (filePath ?? url) && (id === null || id !== picture?.pictureId)
      );
    });
    const isOthers = ({ placement: other }: (typeof others)[number]) =>
      nameOthers(namesIn(caption), namesIn(other.alt ?? ''));
    if (others.length === 0 || others.every(isOthers)) return null;
    const more = others.length === 1 ? 'One other picture has' : `${others.length} other pictures have`;
    return { evidence: `${more} “${caption}” too.` };
  },
  examples: [
    {
      html: '<figure><img src="a.jpg" alt="A ring"><figcaption>Door knocker</figcaption></figure><figure><img src="b.jpg" alt="A hand"><figcaption>Door knocker</figcaption></figure>',
      evidence: 'One other picture has “Door knocker” too.',
    },
    {
      html: '<figure><img src="a.jpg" alt="A ring"><figcaption>Photo: Lise Amblard</figcaption></figure><figure><img src="b.jpg" alt="A hand"><figcaption>Photo: Lise Amblard</figcaption></figure>',
      evidence: null,
    },
  ],
};
