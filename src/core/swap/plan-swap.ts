/**
 * Plans a swap: which file each placement gets, how it is cropped, and what that costs. Decides nothing about rights
 * or freshness, makes no pixels and changes no source.
 */
import type { SourceEdit } from '../edit/source-edit';
import type { PlacementKind } from '../markup/kinds/kind';
import type { DeclaredSlot, WordAnchors } from '../markup/placement';
import type { Span } from '../source/span';
import type { CropRect, FocalPoint } from './crop';
import { folderOf, freeName } from './file-name';
import { isLeftAlone, madeForPlace, type FittingPicture, type RenditionFormat } from './made-for-place';
import type { NewerFormat, NotBeside } from './newer-format';
import type { PixelSize, Slot } from './slot';

/** The picture to put in. */
export interface Candidate extends FittingPicture {
  /** Slug from which file names are made. */
  readonly slug: string;
}

/** A placement as far as a swap needs to know it. */
export interface SwapPlace {
  readonly kind: PlacementKind;
  readonly page: string;
  readonly source: string;
  readonly raw: string;
  readonly start: number;
  readonly end: number;
  /** Path of the file that stands there now. */
  readonly path: string;
  readonly declared: DeclaredSlot;
  readonly words: WordAnchors;
  /** What must stay in view in this place, where that is another point than everywhere else. */
  readonly focal?: FocalPoint | undefined;
  /** Whether it gets a list of widths, for screens that need fewer pixels. */
  readonly isListed?: boolean | undefined;
  /** The newer format that it gets besides, and where its `img` is written; or why it gets none. */
  readonly newer?:
    | { readonly format: NewerFormat; readonly wrap: Span }
    | { readonly because: NotBeside }
    | undefined;
  /** For a clip: the media type that is written with its address. */
  readonly mediaType?: SourceEdit | null | undefined;
}

export interface Rendition {
  /** Path of the new file, relative to the site's root. */
  readonly path: string;
  readonly format: RenditionFormat;
  readonly crop: CropRect;
  readonly widthPx: number;
  readonly heightPx: number;
}

/** A second format of a place. */
export interface Beside {
  readonly format: NewerFormat;
  /** Its files, from the narrowest on. */
  readonly files: readonly Rendition[];
}

/** What one placement gets. */
export interface PlannedPlace {
  readonly place: SwapPlace;
  readonly slot: Slot;
  readonly rendition: Rendition;
  /** Share of the candidate's area that is kept, 0 to 1. */
  readonly keeps: number;
  /** The candidate has fewer pixels than the slot asks for: it is put in as large as it is, not blown up. */
  readonly isTooSmall: boolean;
  /** The list of widths that it gets, from the narrowest on, its own rendition last; absent where it gets none. */
  readonly list?: readonly Rendition[];
  /** The same in a newer format; absent where it gets none. */
  readonly beside?: Beside;
}

export interface SwapPlan {
  readonly places: readonly PlannedPlace[];
  /** Every file to add, none twice; the candidate itself first, unless it is on the site already. */
  readonly renditions: readonly Rendition[];
}

const EXTENSION: Record<string, string> = {
  jpeg: 'jpg',
  png: 'png',
  webp: 'webp',
  avif: 'avif',
  gif: 'gif',
  svg: 'svg',
};

/**
 * Plans a swap of one old file in some of its placements.
 *
 * @param input.oldSize pixel size of the old file, `null` where it is missing
 * @param input.isTaken whether the site has a file at a path already
 */
export function planSwap(input: {
  readonly places: readonly SwapPlace[];
  readonly oldSize: (path: string) => PixelSize | null;
  readonly oldPath: string;
  readonly candidate: Candidate;
  readonly isTaken: (path: string) => boolean;
  /** Path of the candidate where it is a file of the site: it is not added a second time. */
  readonly ownPath?: string | null;
}): SwapPlan {
  const { candidate, oldPath } = input;
  const made = new Map<string, Rendition>();
  const names = new Set<string>();
  const name = (folder: string, stem: string, extension: string) => {
    const free = freeName(
      stem,
      extension,
      (file) => names.has(folder + file) || input.isTaken(folder + file),
    );
    names.add(folder + free);
    return folder + free;
  };
  const whole: CropRect = { left: 0, top: 0, widthPx: candidate.widthPx, heightPx: candidate.heightPx };
  const own = input.ownPath ?? null;
  const { widthPx, heightPx } = candidate;
  const asItIs = (folder: string): Rendition => {
    // A file of the site is shown where it is, by the places that look into its folder.
    if (own !== null && folderOf(own) === folder)
      return { path: own, format: 'original', crop: whole, widthPx, heightPx };
    const key = `${folder}|original`;
    const known = made.get(key);
    if (known) return known;
    const path = name(folder, candidate.slug, EXTENSION[candidate.format] ?? candidate.format);
    const rendition: Rendition = { path, format: 'original', crop: whole, widthPx, heightPx };
    made.set(key, rendition);
    return rendition;
  };
  if (own === null) asItIs(folderOf(oldPath));
  const rendered = (
    of: Pick<Rendition, 'format' | 'crop'> & { folder: string; px: PixelSize },
  ): Rendition => {
    const { folder, format, crop, px } = of;
    const key = [folder, format, px.widthPx, px.heightPx, crop.left, crop.top].join('|');
    const known = made.get(key);
    if (known) return known;
    const stem = `${candidate.slug}-${px.widthPx}x${px.heightPx}`;
    const rendition = { path: name(folder, stem, EXTENSION[format] ?? format), format, crop, ...px };
    made.set(key, rendition);
    return rendition;
  };

  const places = input.places.map((place): PlannedPlace => {
    const { isAsItIs, narrow, ...fit } = madeForPlace(place, candidate, input.oldSize(place.path));
    const { slot, crop, size, format, keeps, isTooSmall } = fit;
    const folder = folderOf(place.path);
    if (isLeftAlone(candidate)) return { place, slot, rendition: asItIs(folder), keeps, isTooSmall };
    const inSize = (px: PixelSize) => rendered({ folder, format, crop, px });
    const rendition = isAsItIs ? asItIs(folder) : inSize(size);
    const list = narrow ? { list: [inSize(narrow), rendition] } : {};
    const planned = { place, slot, rendition, keeps, isTooSmall, ...list };
    const newer = newerOf(place);
    if (!newer || newer === format) return planned;
    const sizes = narrow ? [narrow, size] : [size];
    const files = sizes.map((px) => rendered({ folder, format: newer, crop, px }));
    return { ...planned, beside: { format: newer, files } };
  });
  return { places, renditions: [...made.values()] };
}

const newerOf = ({ newer }: SwapPlace): NewerFormat | null =>
  newer && 'format' in newer ? newer.format : null;
