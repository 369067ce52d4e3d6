/** What is true of the pictures of the site, whatever their files and pages say: leftovers, ages, what is past its time. */
import { ALL_PICTURES, COPIES } from './pictures';

/** Pictures that the template brought and that nobody replaced. */
export const LEFTOVERS: readonly string[] = [
  'img/sample_600x400.png',
  'choirs/gallery/slide-1.png',
  'choirs/gallery/slide-2.png',
  'choirs/gallery/slide-3.png',
  'choirs/gallery/slide-4.png',
  'tutors/img/no-photo.png',
  'recordings/img/video-placeholder.png',
  'join/img/your-logo-here.png',
  'projects/img/image-3.png',
];

/** Pictures in use that are past their time since so many years or less, as the maintainer would say in November 2026. */
export const PAST_THEIR_TIME: Readonly<Record<string, string>> = {
  'tutors/img/marrable.jpg': 'A portrait of 2021.',
  'tutors/img/oake.jpg': 'A portrait of 2016.',
  'tutors/img/thorne.jpg': 'A portrait of 2015, of a tutor who left.',
  'tutors/img/quill.jpg': 'A portrait of 2017.',
  'tutors/img/ashby.jpg': 'A portrait of 2018.',
  'tutors/img/lorn.jpg': 'A portrait of 2019.',
  'tutors/img/tarrow.jpg': 'A portrait of 2020.',
  'tutors/img/frayne.jpg': 'A portrait of 2021.',
  'tutors/img/vane.jpg': 'A portrait of September 2022.',
  'img/choir-winter-960.jpg': 'The choirs of 2022.',
  'img/hall-choir.jpg': 'The choir of the school year before the last.',
  'img/young-choir.jpg': 'The choir of 2023.',
  'choirs/img/boat-choir.jpg': 'The choir of 2018–19.',
  'choirs/img/breath.jpg': 'The choir of last school year.',
  'img/guitar-group.jpg': 'The group of 2018.',
  'concerts/img/poster-summer24.png': 'A concert of June 2024 among those to come.',
  'concerts/img/poster-winter22.png': 'A concert of December 2022 among those to come.',
  'img/facade-2016-1600.jpg': 'The front of 2016, repainted since.',
  'news/pics/open-day_big.jpg': 'An open day of 2014 on the front page of the news.',
  'news/pics/first-choir_big.jpg': 'A choir of 2014 on the front page of the news.',
};

/** The first and the last day on which a picture may have been taken. */
interface TrueDays {
  readonly path: string;
  readonly from: string;
  readonly until: string;
}

/** When pictures were really taken, for all of which it can be known. */
export function trueDays(): TrueDays[] {
  return ALL_PICTURES.flatMap(({ path, taken, shot }) => {
    const day = taken?.slice(0, 10).replaceAll(':', '-');
    const [from, until] = shot ?? [day, day];
    return from && until ? [{ path, from, until }] : [];
  });
}

/** The files that show one scene, for every scene: what Ibidem should take for one picture. */
export function trueFamilies(): string[][] {
  const byScene = new Map<string, string[]>();
  for (const { path, scene, onItsSide } of ALL_PICTURES) {
    // What lies on its side stays a picture of its own, which knows the upright one.
    const shown = onItsSide === 'not noted' ? `${scene} on its side` : scene;
    byScene.set(shown, [...(byScene.get(shown) ?? []), path]);
  }
  for (const [from, to] of COPIES)
    byScene.get(ALL_PICTURES.find(({ path }) => path === from)?.scene ?? '')?.push(to);
  return [...byScene.values()];
}
