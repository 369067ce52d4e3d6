/** What a camera, an agency or an archive wrote into a picture's file: EXIF, IPTC-IIM and XMP, each read in full. */
import exifr from 'exifr';
import { XMLParser } from 'fast-xml-parser';
import sharp from 'sharp';

/** Metadata blocks larger than this are not read: an honest one has a few kilobytes. */
const MAX_BLOCK_BYTES = 512 * 1024;
const MAX_TEXT = 2000;
/** Seconds after which reading them is given up. */
const TIME_LIMIT_MS = 5000;

export interface EmbeddedMetadata {
  /** EXIF DateTimeOriginal and DateTimeDigitized, as they stand there. */
  readonly taken?: string;
  readonly digitized?: string;
  /** Other dates of what is shown, with the field that gives each. */
  readonly dates?: readonly { readonly field: string; readonly value: string }[];
  readonly camera?: string;
  readonly title?: string;
  readonly description?: string;
  readonly altText?: string;
  readonly creator?: string;
  readonly credit?: string;
  readonly copyright?: string;
  readonly source?: string;
  readonly usageTerms?: string;
  readonly licenceUrl?: string;
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
  const exif = await tagsOf(exifBlock(blocks?.exif) ?? bytes, EXIF_ONLY);
  const iptc = await tagsOf(bytes, IPTC_ONLY);
  const xmp = xmpTags(blocks?.xmp);
  return compact({
    taken: text(exif['DateTimeOriginal']),
    digitized: text(exif['DateTimeDigitized'] ?? exif['CreateDate']),
    dates: datesOf(iptc, xmp),
    camera: [text(exif['Make']), text(exif['Model'])].filter(Boolean).join(' ') || undefined,
    title: first(xmp['dc:title'], xmp['photoshop:Headline'], iptc['ObjectName'], iptc['Headline']),
    description: first(xmp['dc:description'], iptc['Caption'], exif['ImageDescription']),
    altText: first(xmp['Iptc4xmpCore:AltTextAccessibility']),
    creator: first(xmp['dc:creator'], iptc['Byline'], exif['Artist']),
    credit: first(xmp['photoshop:Credit'], iptc['Credit']),
    copyright: first(xmp['dc:rights'], iptc['CopyrightNotice'], exif['Copyright']),
    source: first(xmp['photoshop:Source'], iptc['Source']),
    usageTerms: first(xmp['xmpRights:UsageTerms']),
    licenceUrl: first(xmp['xmpRights:WebStatement'], xmp['cc:license'], xmp['plus:LicensorURL']),
    keywords: list(xmp['dc:subject'] ?? iptc['Keywords']),
    people: list(xmp['Iptc4xmpExt:PersonInImage']),
    place: first(xmp['Iptc4xmpCore:Location'], xmp['photoshop:City'], iptc['City']),
  });
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

/** The TIFF structure inside an EXIF block, without the six letters that JPEG puts before it. */
function exifBlock(block: Buffer | undefined): Uint8Array | null {
  if (!block || block.length > MAX_BLOCK_BYTES) return null;
  return block.subarray(0, 4).toString('latin1') === 'Exif' ? block.subarray(6) : block;
}

async function tagsOf(bytes: Uint8Array, options: object): Promise<Tags> {
  const late = new Promise<null>((resolve) => {
    setTimeout(() => resolve(null), TIME_LIMIT_MS).unref();
  });
  const read = exifr.parse(bytes, options).catch(() => null) as Promise<Tags | null>;
  return (await Promise.race([read, late])) ?? {};
}

const XML = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '',
  parseTagValue: false,
  parseAttributeValue: false,
  processEntities: true,
});

/** Fields of an XMP packet (ISO 16684-1) by their usual prefixes, whether written as elements or as attributes. */
function xmpTags(block: Buffer | undefined): Tags {
  if (!block || block.length > MAX_BLOCK_BYTES) return {};
  try {
    const parsed = XML.parse(block.toString('utf8')) as Record<string, unknown>;
    const rdf = (parsed['x:xmpmeta'] as Tags | undefined)?.['rdf:RDF'] ?? parsed['rdf:RDF'];
    const found = (rdf as Tags | undefined)?.['rdf:Description'];
    return Object.assign({}, ...(Array.isArray(found) ? found : [found])) as Tags;
  } catch {
    return {};
  }
}

function datesOf(iptc: Tags, xmp: Tags): { field: string; value: string }[] {
  const iptcDate = text(iptc['DateCreated'])?.replace(/^(\d{4})(\d{2})(\d{2})$/, '$1-$2-$3');
  const all: [string, string | undefined][] = [
    ['IPTC DateCreated', iptcDate],
    ['XMP photoshop:DateCreated', first(xmp['photoshop:DateCreated'])],
    ['XMP exif:DateTimeOriginal', first(xmp['exif:DateTimeOriginal'])],
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
      const inside = tags['rdf:Alt'] ?? tags['rdf:Seq'] ?? tags['rdf:Bag'] ?? tags['rdf:li'] ?? tags['#text'];
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
