import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { alike } from '../../words/alike';
import { isFileName, saysOnly } from '../../words/empty-texts';

export const ofOldPicture: Rule = {
  id: 'caption/of-old-picture',
  degree: 'should',
  level: 'read',
  title: 'The picture is another one, its words are not',
  why: 'What is read aloud or stands under it tells of the picture that was there before.',
  remedy: 'Look at the words again, and write them for the picture of today.',
  applies: isPicture,
  check: ({ alt, caption, before, raw, filePath }, { page }) => {
    if (!before) return null;
    const isEmpty = (text: string) => isFileName(text, raw) || saysOnly(text, page.language) !== null;
    const kept = [
      { name: 'alt text', now: alt, was: before.alt },
      { name: 'caption', now: caption, was: before.caption },
    ].filter(({ now, was }) => now && was && alike(now, was) && !isEmpty(now));
    if (kept.length === 0) return null;
    const says = kept.map(({ name, now }) => `the ${name} “${now}”`).join(' and ');
    const file = before.path.split('/').at(-1);
    const was = before.path === filePath ? `another picture was in “${file}”` : `“${file}” stood here`;
    return { evidence: `Until survey ${before.survey} ${was}; ${says} stayed.` };
  },
  examples: [
    {
      html: '<figure><img src="new.jpg" alt="The doors are blue"><figcaption>Before the paint</figcaption></figure>',
      evidence:
        'Until survey 4 “old.jpg” stood here; the alt text “The doors are blue” and the caption “Before the paint” stayed.',
      before: { survey: 4, path: 'img/old.jpg', alt: 'The doors are blue', caption: 'Before the paint' },
    },
    {
      html: '<img src="team.jpg" alt="The team of 2021">',
      evidence: 'Until survey 4 another picture was in “team.jpg”; the alt text “The team of 2021” stayed.',
      before: { survey: 4, path: 'team.jpg', alt: 'The team of 2021', caption: null },
    },
    {
      html: '<img src="new.jpg" alt="The doors are red">',
      evidence: null,
      before: { survey: 4, path: 'img/old.jpg', alt: 'The doors are blue', caption: null },
    },
    {
      html: '<img src="new.jpg" alt="photo">',
      evidence: null,
      before: { survey: 4, path: 'img/old.jpg', alt: 'photo', caption: null },
    },
    { html: '<img src="new.jpg" alt="The doors are blue">', evidence: null },
  ],
};
