import type { DateOrigin } from '@/core/dating/date-evidence';
import type { PictureKind } from '@/core/dating/shelf-life';

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

/** How long each stays current, in words. */
export const LIFE_WORDS: Readonly<Record<PictureKind, string>> = {
  portrait: 'Portraits stay current four years.',
  'class group': 'A class or group is another one after its school year.',
  event: 'Events stay current to the end of the next school year.',
  building: 'Buildings and rooms stay current eight years.',
  product: 'Products stay current three years.',
  evergreen: 'It does not age.',
};
