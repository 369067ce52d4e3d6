import { spanText } from '../../../dating/shelf-life';
import { mentionsInWords } from '../../../dating/date-mentions';
import { partsOf, sharedSpan } from '../../../dating/day';
import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { aroundTaken, takenOn } from '../../words/around-taken';

export const captionDate: Rule = {
  id: 'caption/date',
  degree: 'should',
  level: 'measured',
  title: 'The caption names a time at which the picture was not taken',
  why: 'Readers take it for a picture of that time; it was left from another one, or the picture is old.',
  remedy: 'Correct the caption, or swap the picture for one of that time.',
  applies: isPicture,
  check: ({ caption }, { page, picture }) => {
    const taken = aroundTaken(picture, ['caption']);
    if (!caption || !taken) return null;
    const rules = { today: page.today, thisYear: partsOf(page.today).year };
    const said = mentionsInWords(caption, rules);
    // One of the times it names may well be another’s: “the choir of 2019 at its reunion in 2024”.
    if (said.length === 0 || said.some((one) => sharedSpan(one, taken.around) !== null)) return null;
    const words = said.map(({ text }) => text).join(', ');
    return { evidence: `It says “${words}”; taken: ${spanText(taken.span)}.` };
  },
  examples: [
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>The guitar group, 2024</figcaption></figure>',
      evidence: 'It says “2024”; taken: 19 April 2018.',
      files: {
        'a.jpg': takenOn(17640),
      },
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>The group of 2018</figcaption></figure>',
      evidence: null,
      files: {
        'a.jpg': takenOn(17640),
      },
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>The group, 2024</figcaption></figure>',
      evidence: null,
    },
  ],
};
