/** Prepares the page of picture credits, and the links by which pages lead to it. */
import { posix } from 'node:path';
import { resolveAddress, siteOfFiles, urlOfPath } from '@/core/address/resolve-address';
import {
  creditsPageAfter,
  CREDITS_PATH,
  linkEdit,
  listEdit,
  listOf,
  type CreditEntry,
} from '@/core/rights/credit/credits-page';
import { commonsName } from '@/core/rights/licences';
import { deedOf } from '@/core/rights/metadata-out';
import { RecordIndex } from '@/core/rights/record-index';
import type { SourceText } from '@/core/source/decode-source';
import { encodeText } from '@/core/source/encode-text';
import type { Database } from '../../db/database';
import type { sites } from '../../db/schema/sites';
import { ProblemError } from '../../problem-error';
import { storeBytes } from '../../store/store';
import type { OpenedSources } from '../editions/opened-sources';
import type { NewEdit, Prepared } from '../editions/prepared';
import { recordsOf } from './records-of-site';

interface Uncredited {
  readonly page: string;
  readonly file: string;
  readonly master: string;
  readonly wanted: string;
}

/** Places whose credit stands nowhere with them, and those whose credit is on a page of credits already. */
async function uncredited({ pool }: Database, siteId: number): Promise<Uncredited[]> {
  const { rows } = await pool.query<Uncredited>(
    `select distinct x.page_path as page, x.file_path as file, coalesce(m.path, f.path) as master,
       a.credit ->> 'wanted' as wanted
     from rights_answers a
     join placements x on x.id = a.placement_id and x.until_survey is null and not x.dormant
     join files f on f.site_id = x.site_id and f.path = x.file_path and f.gone_in is null
     left join files m on m.site_id = f.site_id and m.picture_id = f.picture_id and m.is_master and m.gone_in is null
     where a.site_id = $1 and (a.credit ->> 'needed')::boolean and a.credit ->> 'wanted' is not null
       and (not coalesce((a.credit ->> 'found')::boolean, false) or a.credit ->> 'where' = 'credits-page')
     order by master, page`,
    [siteId],
  );
  return rows;
}

/**
 * @throws ProblemError `CREDITS_NONE` where every credit stands with its picture, `CREDITS_WRITTEN` where the page says all of it
 *   already, `CREDITS_MODEL` where no page of the site tells which part of it is its own
 */
export async function prepareCredits(
  db: Database,
  { site, sources }: { readonly site: typeof sites.$inferSelect; readonly sources: OpenedSources },
): Promise<Prepared> {
  const places = await uncredited(db, site.id);
  if (places.length === 0)
    throw nothing('CREDITS_NONE', 'Every credit that is needed stands with its picture.');
  const index = new RecordIndex(await recordsOf(db, site.id));
  const entries = new Map<string, CreditEntry>();
  for (const place of places)
    if (!entries.has(place.master)) entries.set(place.master, entryOf(place, index));
  const list = [...entries.values()].sort((a, b) => (a.file < b.file ? -1 : 1));
  const own = await pageOfCredits(db, sources, { siteId: site.id, list });
  const edits = [...own.edits];
  for (const page of new Set(places.map((one) => one.page))) {
    if (page === own.path) continue;
    const { source, expects } = await sources.open(page);
    const edit = linkEdit(source.text, linkFrom(page, own.path), isUnicode(source));
    if (edit) edits.push(ofPage(page, expects, edit, 'link'));
  }
  if (edits.length > 0 || own.files.length > 0) return { edits, files: own.files, places: [] };
  throw nothing(
    'CREDITS_WRITTEN',
    'The page of picture credits says all of it already, and all pages lead to it.',
  );
}

function entryOf({ file, master, wanted }: Uncredited, index: RecordIndex): CreditEntry {
  const fields = index.picture({ url: file, master })?.fields;
  const terms = fields?.licence ? index.terms(fields.licence) : null;
  const deed = terms && deedOf(terms);
  const source = fields?.source && /^https?:\/\//iu.test(fields.source) ? fields.source : null;
  return {
    file: posix.basename(master),
    words: wanted,
    links: [
      ...(source && fields?.title ? [{ words: fields.title, href: source }] : []),
      ...(deed && terms.commons ? [{ words: commonsName(terms.commons), href: deed }] : []),
    ],
  };
}

interface OwnPage {
  readonly path: string;
  readonly edits: readonly NewEdit[];
  readonly files: Prepared['files'];
}

/** The page itself: its list brought up to date, or the whole page made after one beside it. */
async function pageOfCredits(
  { pool }: Database,
  sources: OpenedSources,
  { siteId, list }: { readonly siteId: number; readonly list: readonly CreditEntry[] },
): Promise<OwnPage> {
  const { rows } = await pool.query<{ path: string }>(
    `select path from pages where site_id = $1 and gone_in is null and position('/' in path) = 0
     order by path <> $2, path !~* '^index\\.', path`,
    [siteId, CREDITS_PATH],
  );
  const [first] = rows;
  if (first?.path === CREDITS_PATH) {
    const { source, expects } = await sources.open(CREDITS_PATH);
    const there = listOf(source.text);
    if (!there) throw withoutList();
    const edit = listEdit(source.text, there, list, isUnicode(source));
    return {
      path: CREDITS_PATH,
      edits: edit ? [ofPage(CREDITS_PATH, expects, edit, 'credits')] : [],
      files: [],
    };
  }
  for (const { path } of rows) {
    const { source } = await sources.open(path);
    const text = creditsPageAfter(source.text, list, isUnicode(source));
    const bytes = text === null ? null : encodeText(text, source.encoding);
    if (!bytes) continue;
    const file = {
      path: CREDITS_PATH,
      sha256: await storeBytes(bytes),
      sizeBytes: bytes.length,
      rendition: null,
    };
    return { path: CREDITS_PATH, edits: [], files: [file] };
  }
  throw new ProblemError({
    code: 'CREDITS_MODEL',
    what: 'The page of picture credits was not made.',
    why: 'It is made after a page in the site’s first folder, and none there tells which part of it is its own (an element “main”, or one whose id is “main” or “content”).',
    remedy: `Make a page ${CREDITS_PATH} with an empty list in it, <ul id="picture-credits"></ul>, survey the site, and come back: the list is kept from then on.`,
  });
}

const withoutList = (): ProblemError =>
  new ProblemError({
    code: 'CREDITS_LIST',
    what: 'The page of picture credits was left as it is.',
    why: `${CREDITS_PATH} is there, and no list in it is marked to be kept.`,
    remedy:
      'Put <ul id="picture-credits"></ul> where the credits are to stand, survey the site, and come back.',
  });

const isUnicode = ({ encoding }: SourceText): boolean => /^utf-?(?:8|16)/iu.test(encoding);

const ofPage = (
  page: string,
  expects: string,
  edit: { start: number; end: number; was: string; becomes: string },
  subject: NewEdit['subject'],
): NewEdit => ({ ...edit, expects, pagePath: page, sourcePath: page, placeStart: edit.start, subject });

function linkFrom(page: string, to: string) {
  const site = siteOfFiles();
  const base = urlOfPath(page, site);
  return {
    href: encodeURI(posix.relative(posix.dirname(page), to)),
    isThere: (written: string) => {
      const leads = resolveAddress(written, base, site);
      return leads.kind === 'site' && leads.path === to;
    },
  };
}

const nothing = (code: string, why: string): ProblemError =>
  new ProblemError({
    code,
    what: 'There is nothing to write.',
    why,
    remedy: 'Take this out of the edition.',
  });
