/** Writes rights into the file of a picture and leaves its pixels alone: that they are the same is looked at, not believed. */
import { createHash } from 'node:crypto';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ExifTool, type WriteTags } from 'exiftool-vendored';
import sharp from 'sharp';
import type { MetadataOut } from '@/core/rights/metadata-out';
import { problemOf, ProblemError } from '../problem-error';

/** Formats, as `inspectImage` names them, that carry such fields and whose pixels can be looked at afterwards. */
const EXTENSION: Readonly<Record<string, string>> = { jpeg: 'jpg', png: 'png', webp: 'webp', tiff: 'tif', avif: 'avif' }; // oxfmt-ignore
const TIME_LIMIT_MS = 20_000;

/** Whether a file of a format can carry rights. */
export const carriesRights = (format: string): boolean => format in EXTENSION;

/** One program for all files of a run. It ends with `end`, or with the process. */
export class MetadataWriter {
  private readonly tool = new ExifTool({ maxProcs: 1, taskTimeoutMillis: TIME_LIMIT_MS, useMWG: false });

  /**
   * Writes what is given into a file, in the fields of every standard that its format has; what is not given stays as
   * the file says it.
   *
   * @param format as `inspectImage` names it
   * @returns the new bytes; the very ones that were given where they say all of it already
   * @throws ProblemError `METADATA_UNWRITTEN` where the format carries none, the file is broken, or a pixel would change
   */
  async write(bytes: Uint8Array, format: string, rights: MetadataOut): Promise<Uint8Array> {
    const extension = EXTENSION[format];
    if (!extension) throw unwritten(`A ${format} file carries none.`);
    return inFolder(unwritten, async (folder) => {
      const path = join(folder, `picture.${extension}`);
      await writeFile(path, bytes);
      await this.tool.write(path, tagsFor(rights, format), {
        writeArgs: ['-overwrite_original', '-charset', 'iptc=Latin', '-m'],
      });
      const written = new Uint8Array(await readFile(path));
      if ((await pixelsOf(written)) !== (await pixelsOf(bytes)))
        throw unwritten('Its pixels would have changed.');
      return written;
    });
  }

  /**
   * Carries what a picture's file says of itself over to what was made from it: by whom, when, of what. Its orientation and
   * its small picture stay behind: the new one is upright.
   *
   * @returns the bytes of `made` as they are where its format carries none
   * @throws ProblemError `METADATA_LOST`
   */
  async carry(
    from: Uint8Array,
    made: { readonly bytes: Uint8Array; readonly format: string },
  ): Promise<Uint8Array> {
    const extension = EXTENSION[made.format];
    if (!extension) return made.bytes;
    return inFolder(uncarried, async (folder) => {
      const [source, path] = [join(folder, 'original'), join(folder, `picture.${extension}`)];
      await writeFile(source, from);
      await writeFile(path, made.bytes);
      const without = ['-Orientation#=1', '-ThumbnailImage=', '-ExifIFD:ExifImageWidth=', '-ExifIFD:ExifImageHeight=']; // oxfmt-ignore
      await this.tool.write(path, {}, {
        writeArgs: ['-TagsFromFile', source, '-all:all', '-unsafe', ...without, '-overwrite_original', '-m'],
      }); // oxfmt-ignore
      return new Uint8Array(await readFile(path));
    });
  }

  async end(): Promise<void> {
    await this.tool.end();
  }
}

/** Does something in a folder of its own, which is gone afterwards. @param problem what is told where it fails */
async function inFolder<T>(
  problem: (why: string, cause?: unknown) => ProblemError,
  deed: (folder: string) => Promise<T>,
): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'ibidem-metadata-'));
  try {
    return await deed(folder);
  } catch (error) {
    throw error instanceof ProblemError ? error : problem(problemOf(error).why, error);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** The decoded pixels of all frames, with their size, as a hash. */
async function pixelsOf(bytes: Uint8Array): Promise<string> {
  const { data, info } = await sharp(bytes, { limitInputPixels: false, animated: true })
    .raw()
    .toBuffer({ resolveWithObject: true });
  return `${info.width}x${info.height}x${info.channels} ${createHash('sha256').update(data).digest('hex')}`;
}

/** The older record of IPTC is there in these alone, and its texts are short (IPTC-IIM 4.2). */
const HAS_IIM = new Set(['jpeg', 'tiff']);
const HAS_EXIF = new Set(['jpeg', 'tiff', 'png', 'webp', 'avif']);

function tagsFor(rights: MetadataOut, format: string): WriteTags {
  const { title, creators, credit, source, copyrightNotice, owner, usageTerms } = rights;
  const { webStatement, isMarked, licence, attributionUrl, licenceEnd, modelRelease } = rights;
  const tags: Record<string, unknown> = {
    'XMP-dc:Title': title,
    'XMP-dc:Creator': creators,
    'XMP-dc:Rights': copyrightNotice,
    'XMP-photoshop:Credit': credit,
    'XMP-photoshop:Source': source,
    'XMP-xmpRights:Owner': owner === undefined ? undefined : [owner],
    'XMP-xmpRights:UsageTerms': usageTerms,
    'XMP-xmpRights:WebStatement': webStatement,
    'XMP-xmpRights:Marked': isMarked,
    'XMP-cc:License': licence,
    'XMP-cc:AttributionName': licence === undefined ? undefined : credit,
    'XMP-cc:AttributionURL': attributionUrl,
    'XMP-plus:ImageCreator': creators?.map((name) => ({ ImageCreatorName: name })),
    'XMP-plus:CopyrightOwner': owner === undefined ? undefined : [{ CopyrightOwnerName: owner }],
    'XMP-plus:LicenseEndDate': licenceEnd?.replaceAll('-', ':'),
    'XMP-plus:ModelReleaseStatus#': modelRelease,
  };
  if (HAS_IIM.has(format))
    Object.assign(tags, {
      'IPTC:ObjectName': short(title, 64),
      'IPTC:By-line': creators?.flatMap((name) => short(name, 32) ?? []),
      'IPTC:Credit': short(credit, 32),
      'IPTC:Source': short(source, 32),
      'IPTC:CopyrightNotice': short(copyrightNotice, 128),
    });
  if (HAS_EXIF.has(format))
    Object.assign(tags, { 'EXIF:Artist': creators?.join('; '), 'EXIF:Copyright': copyrightNotice });
  return Object.fromEntries(Object.entries(tags).filter(([, value]) => value !== undefined)) as WriteTags;
}

const PLAIN: Readonly<Record<string, string>> = { '“': '"', '”': '"', '„': '"', '‘': "'", '’': "'", '–': '-', '—': '-', '…': '...' }; // oxfmt-ignore

/**
 * A text as the older record takes it: in Latin-1, which all its readers know, where some overlook that it says UTF-8; at
 * most some characters of it. `null` for one in other letters: then only the newer fields say it.
 */
function short(text: string | undefined, most: number): string | null | undefined {
  const plain = text?.normalize('NFC').replace(/[“”„‘’–—…]/gu, (sign) => PLAIN[sign] ?? sign);
  if (plain === undefined) return undefined;
  return /^[\x20-\x7e\xa0-\xff]*$/u.test(plain) ? plain.slice(0, most).trimEnd() : null;
}

const unwritten = (why: string, cause?: unknown): ProblemError =>
  new ProblemError(
    {
      code: 'METADATA_UNWRITTEN',
      what: 'The rights were not written into the file.',
      why,
      remedy: 'The file stays as it is; what is recorded stands in Ibidem all the same.',
    },
    { cause },
  );

const uncarried = (why: string, cause?: unknown): ProblemError =>
  new ProblemError(
    {
      code: 'METADATA_LOST',
      what: 'The picture was not kept: what its file says of itself could not be carried over.',
      why,
      remedy: 'Try again; the original is as it was.',
    },
    { cause },
  );
