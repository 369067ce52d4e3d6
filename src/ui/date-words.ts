import type { DateOrigin } from '@/core/dating/date-evidence';
import type { ChangedSubject, SubjectKind } from '@/core/dating/changed-subject';
import { spanText, type PictureKind, type ShelfLife } from '@/core/dating/shelf-life';
import { count } from './format';

/** How a screen says where a date comes from. */
export const ORIGIN: Readonly<Record<DateOrigin, string>> = {
  camera: 'camera date',
  scanner: 'scanned',
  metadata: 'written into the file',
  'file name': 'file name',
  folder: 'folder name',
  caption: 'caption',
  'alt text': 'alt text',
  heading: 'heading above it',
  page: 'its pages',
  'file date': 'date of the file',
  survey: 'first survey',
};

/** What a picture shows, as screens name it. */
export const KIND_NAME: Readonly<Record<PictureKind, string>> = {
  portrait: 'Portrait',
  'class group': 'Class or group',
  event: 'Event',
  building: 'Building or room',
  product: 'Product',
  evergreen: 'Does not age',
};

/** What pictures show by name, as screens sort it. */
export const SUBJECT_NAME: Readonly<Record<SubjectKind, string>> = {
  person: 'Person',
  place: 'Place',
  thing: 'Thing',
};

/** That something on a picture is another one now: “The front: repainted on 14 May 2023. This was taken in June 2016.” */
export function changedText(
  { name, changedOn, changedHow, certainty }: ChangedSubject,
  { taken_from: from, taken_until: until }: { taken_from: number | null; taken_until: number | null },
): string {
  const day = spanText({ from: changedOn, until: changedOn });
  const taken = spanText({ from, until });
  const how = `${name}: ${changedHow || 'changed'} on ${day}.`;
  return certainty === 'certain' ? `${how} Taken: ${taken}.` : `${how} Taken: ${taken}, perhaps before that.`;
}

/** How long something stays current, as a part of a sentence: “current for 4 years”. */
export function lifeText(life: ShelfLife): string {
  if (life.unit === 'forever') return 'does not age';
  if (life.unit === 'years') return `current for ${count(life.count, 'year')}`;
  if (life.count === 0) return 'current to the end of its school year';
  return life.count === 1
    ? 'current to the end of the next school year'
    : `current for ${life.count} school years after its own`;
}
