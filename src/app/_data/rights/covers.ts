import 'server-only';
import type { Verdict } from '@/core/rights/may';
import { RecordIndex } from '@/core/rights/record-index';
import { termsInWords } from '@/core/rights/terms-in-words';
import { database } from '@/server/db/database';
import { recordsOf } from '@/server/work/rights/records-of-site';

/** What a licence, or a holder, covers on a site. */
export interface Cover {
  readonly name: string;
  /** What the licence allows, in sentences; of a holder none. */
  readonly words: readonly string[];
  readonly places: number;
  /** Pictures by the worst answer of their places. */
  readonly answers: Readonly<Record<Verdict, number>>;
  readonly pictures: readonly CoveredFile[];
}

interface CoveredFile {
  readonly id: number;
  readonly path: string;
  readonly sha256: string;
  readonly title: string | null;
  readonly may: Verdict;
}

interface ShownPicture extends CoveredFile {
  readonly places: number;
}

/** Pictures that stand somewhere, each with the file that stands for it and the worst answer of its places. */
async function picturesShown(siteId: number): Promise<ShownPicture[]> {
  const { rows } = await database().pool.query<ShownPicture>(
    `select m.id, m.path, m.sha256, p.title, count(*)::int as places,
       case when bool_or(a.may = 'no') then 'no' when bool_or(coalesce(a.may, 'unknown') = 'unknown') then 'unknown' else 'yes' end as may
     from placements x
     join files f on f.site_id = x.site_id and f.path = x.file_path and f.gone_in is null
     join files m on m.site_id = f.site_id and m.picture_id = f.picture_id and m.is_master and m.gone_in is null
     left join pictures p on p.id = m.picture_id
     left join rights_answers a on a.placement_id = x.id
     where x.site_id = $1 and x.until_survey is null and not x.dormant and m.sha256 is not null
     group by m.id, m.path, m.sha256, p.title order by count(*) desc, m.path`,
    [siteId],
  );
  return rows;
}

/** What each licence and each holder covers; what nothing is recorded of is in neither. */
export async function coversOfSite(siteId: number): Promise<{ licences: Cover[]; holders: Cover[] }> {
  const [records, shown] = await Promise.all([recordsOf(database(), siteId), picturesShown(siteId)]);
  const index = new RecordIndex(records);
  const licences = new Map<string, Gathered>();
  const holders = new Map<string, Gathered>();
  for (const picture of shown) {
    const fields = index.picture({ url: picture.path, master: null })?.fields;
    if (!fields) continue;
    const terms = fields.licence ? index.terms(fields.licence) : null;
    const licence = terms?.name ?? (fields.licence ? `“${fields.licence}”` : null);
    if (licence !== null) add(licences, licence, terms ? termsInWords(terms) : UNKNOWN_TERMS, picture);
    const holder = fields.holder ?? (fields.creator?.length ? fields.creator.join(', ') : null);
    if (holder) add(holders, holder, [], picture);
  }
  const sorted = (all: Map<string, Gathered>) => [...all.values()].sort((a, b) => b.pictures.length - a.pictures.length || a.name.localeCompare(b.name, 'en')); // oxfmt-ignore
  return { licences: sorted(licences), holders: sorted(holders) };
}

const UNKNOWN_TERMS = ['It is in no catalogue, and nobody has recorded what it allows.'];

interface Gathered extends Cover {
  places: number;
  readonly answers: Record<Verdict, number>;
  readonly pictures: ShownPicture[];
}

function add(to: Map<string, Gathered>, name: string, words: readonly string[], picture: ShownPicture): void {
  let cover = to.get(name);
  if (!cover) to.set(name, (cover = { name, words, places: 0, answers: { no: 0, unknown: 0, yes: 0 }, pictures: [] })); // oxfmt-ignore
  cover.places += picture.places;
  cover.answers[picture.may] += 1;
  cover.pictures.push(picture);
}
