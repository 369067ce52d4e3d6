/** What a camera, an agency or an archive wrote into a picture's file: EXIF, IPTC-IIM and XMP, each read in full. */
import { setTimeout } from 'node:timers/promises';
import exifr from 'exifr';
import { XMLParser } from 'fast-xml-parser';
import sharp, { type Metadata } from 'sharp';
import type { EmbeddedRights } from '@/core/rights/embedded-rights';

/** Metadata blocks larger than this are not read: an honest one has a few kilobytes. */
const MAX_BLOCK_BYTES = 512 * 1024;
const MAX_TEXT = 2000;
/** After which reading them is given up. */
const TIME_LIMIT_MS = 5000;

export interface EmbeddedMetadata extends EmbeddedRights {
  /** EXIF DateTimeOriginal and DateTimeDigitized, as they stand there. */
  readonly taken?: string;
  readonly digitized?: string;
  /** Other dates of what is shown, with the field that gives each. */
  readonly dates?: readonly { readonly field: string; readonly value: string }[];
  readonly camera?: string;
  /** When an editor last wrote it (EXIF DateTime, XMP ModifyDate): it was taken before. */
  readonly edited?: string;
  /** When this file was made (XMP CreateDate); of a picture from a camera that is when it was taken. */
  readonly made?: string;
  /** EXIF Orientation, 2 to 8: how the pixels are to be turned, or mirrored, to stand upright; absent where they do. */
  readonly orientation?: number;
  readonly title?: string;
  readonly description?: string;
  readonly altText?: string;
  readonly keywords?: readonly string[];
  readonly people?: readonly string[];
  readonly place?: string;
}

type Tags = Readonly<Record<string, unknown>>;

/** Reads what there is; a block that is broken counts as not there. Of several fields, XMP is believed before IPTC. */
export async function readMetadata(bytes: Uint8Array): Promise<EmbeddedMetadata> {
  const blocks = await sharp(bytes, { limitInputPixels: false })
    .metadata()
    .catch(() => null);
  const exif = await tagsOf(exifSource(blocks?.exif, bytes), EXIF_ONLY);
  const iptc = await tagsOf(bytes, IPTC_ONLY);
  const xmp = xmpTags(blocks?.xmp);
  return compact({
    taken: text(exif['DateTimeOriginal']),
    digitized: text(exif['DateTimeDigitized'] ?? exif['CreateDate']),
    dates: datesOf(iptc, xmp),
    edited: text(exif['ModifyDate']) ?? first(xmp['ModifyDate'], xmp['MetadataDate']),
    made: first(xmp['CreateDate']),
    orientation: orientationOf(blocks),
    camera:
      [text(exif['Make']), text(exif['Model']), scannerProgram(text(exif['Software']))]
        .filter(Boolean)
        .join(' ') || undefined,
    title: first(xmp['title'], xmp['Headline'], iptc['ObjectName'], iptc['Headline']),
    description: first(xmp['description'], iptc['Caption'], exif['ImageDescription']),
    altText: first(xmp['AltTextAccessibility']),
    creator: first(xmp['creator'], iptc['Byline'], exif['Artist']),
    credit: first(xmp['Credit'], iptc['Credit']),
    copyright: first(xmp['rights'], iptc['CopyrightNotice'], exif['Copyright']),
    source: first(xmp['Source'], iptc['Source']),
    usageTerms: first(xmp['UsageTerms']),
    licenceUrl: first(xmp['WebStatement'], xmp['license'], xmp['LicensorURL']),
    keywords: list(xmp['subject'] ?? iptc['Keywords']),
    people: list(xmp['PersonInImage']),
    place: first(xmp['Location'], xmp['City'], iptc['City']),
  });
}

/** A scanner's program names it where the scanner does not name itself. */
const scannerProgram = (software: string | undefined): string | undefined =>
  software && /scan/iu.test(software) ? software : undefined;

/** HEIC is stored turned already, whatever its EXIF says. */
function orientationOf(facts: Metadata | null): number | undefined {
  const { orientation, compression } = facts ?? {};
  return orientation && orientation > 1 && compression !== 'hevc' ? orientation : undefined;
}

const SHARED = { reviveValues: false, silentErrors: true, mergeOutput: true, sanitize: true } as const;
const EXIF_ONLY = {
  ...SHARED,
  tiff: true,
  ifd0: {},
  exif: true,
  gps: false,
  iptc: false,
  xmp: false,
  icc: false,
};
const IPTC_ONLY = { ...SHARED, tiff: false, exif: false, gps: false, iptc: true, xmp: false, icc: false };

/**
 * The TIFF structure inside an EXIF block, without the six letters that JPEG puts before it; the whole file where its
 * type keeps it elsewhere, and nothing where the block is too large.
 */
function exifSource(block: Buffer | undefined, bytes: Uint8Array): Uint8Array | null {
  if (!block) return bytes;
  if (block.length > MAX_BLOCK_BYTES) return null;
  return block.subarray(0, 4).toString('latin1') === 'Exif' ? block.subarray(6) : block;
}

async function tagsOf(bytes: Uint8Array | null, options: object): Promise<Tags> {
  if (!bytes) return {};
  const timer = new AbortController();
  const late = setTimeout(TIME_LIMIT_MS, null, { ref: false, signal: timer.signal }).catch(() => null);
  const read = exifr.parse(bytes, options).catch(() => null) as Promise<Tags | null>;
  const tags = await Promise.race([read, late]);
  timer.abort();
  return tags ?? {};
}

const XML = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '',
  parseTagValue: false,
  parseAttributeValue: false,
  processEntities: true,
  // Prefixes are each writer's own choice; the fields that are asked for have names of their own.
  removeNSPrefix: true,
});

/** Fields of an XMP packet (ISO 16684-1) by their names, whether written as elements or as attributes. */
function xmpTags(block: Buffer | undefined): Tags {
  if (!block || block.length > MAX_BLOCK_BYTES) return {};
  try {
    const parsed = XML.parse(block.toString('utf8')) as Record<string, unknown>;
    const rdf = (parsed['xmpmeta'] as Tags | undefined)?.['RDF'] ?? parsed['RDF'];
    const found = (rdf as Tags | undefined)?.['Description'];
    return Object.assign({}, ...(Array.isArray(found) ? found : [found])) as Tags;
  } catch {
    return {};
  }
}

function datesOf(iptc: Tags, xmp: Tags): { field: string; value: string }[] {
  const iptcDate = text(iptc['DateCreated'])?.replace(/^(\d{4})(\d{2})(\d{2})$/, '$1-$2-$3');
  const all: [string, string | undefined][] = [
    ['IPTC DateCreated', iptcDate],
    ['XMP DateCreated', first(xmp['DateCreated'])],
    ['XMP DateTimeOriginal', first(xmp['DateTimeOriginal'])],
  ];
  return all.flatMap(([field, value]) => (value ? [{ field, value }] : []));
}

/** The text of a field: plain, or the first of an `rdf:Alt`, `rdf:Seq` or `rdf:Bag`. */
function text(value: unknown): string | undefined {
  const [one] = list(value) ?? [];
  return one;
}

function first(...values: readonly unknown[]): string | undefined {
  for (const value of values) {
    const found = text(value);
    if (found) return found;
  }
  return undefined;
}

function list(value: unknown): string[] | undefined {
  const flat = (one: unknown): string[] => {
    if (typeof one === 'string') return [one];
    if (typeof one === 'number') return [String(one)];
    if (Array.isArray(one)) return one.flatMap(flat);
    if (one && typeof one === 'object') {
      const tags = one as Tags;
      const inside = tags['Alt'] ?? tags['Seq'] ?? tags['Bag'] ?? tags['li'] ?? tags['#text'];
      return inside === undefined ? [] : flat(inside);
    }
    return [];
  };
  const texts = flat(value)
    .map((one) => one.replaceAll('\u0000', '').trim().slice(0, MAX_TEXT))
    .filter((one) => one !== '');
  return texts.length > 0 ? texts : undefined;
}

function compact(tags: Readonly<Record<keyof EmbeddedMetadata, unknown>>): EmbeddedMetadata {
  const filled = Object.entries(tags).filter(
    ([, value]) => value !== undefined && !(Array.isArray(value) && value.length === 0),
  );
  return Object.fromEntries(filled) as EmbeddedMetadata;
}
