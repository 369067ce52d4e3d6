import 'server-only';
import { resolveAddress, urlOfPath } from '@/core/address/resolve-address';
import type { LinkAround } from '@/core/markup/placement';
import type { StoredWords } from '@/core/markup/stored-words';
import { draftsOf, type Draft } from '@/core/wording/drafts';
import { database } from '@/server/db/database';
import type { sites } from '@/server/db/schema/sites';
import type { EmbeddedMetadata } from '@/server/imaging/read-metadata';
import { rulesOf } from '@/server/work/sites/site-connection';
import { titleText } from '@/ui/format';

type Site = typeof sites.$inferSelect;

/** A place as far as drafts for it depend on it. */
export interface DraftedPlace {
  readonly id: number;
  readonly page: string;
  readonly language: string | null;
  readonly filePath: string | null;
  readonly raw: string;
  readonly alt: string | null;
  readonly caption: string | null;
  readonly link: LinkAround | null;
  readonly headings: readonly string[];
  readonly stored: readonly StoredWords[];
}

interface KnownRow {
  readonly path: string;
  readonly title: string | null;
  readonly alt_texts: Record<string, number> | null;
  readonly metadata: EmbeddedMetadata | null;
  readonly read_text: string | null;
  readonly subjects: readonly { readonly name: string; readonly kind: string }[];
}

/** Drafts of alt texts, by place. */
export async function draftsOfPlaces(
  site: Site,
  places: readonly DraftedPlace[],
): Promise<Map<number, readonly Draft[]>> {
  const paths = new Set(places.flatMap(({ filePath }) => filePath ?? []));
  const { rows } = await database().pool.query<KnownRow>(
    `select f.path, p.title, p.alt_texts, t.text as read_text, coalesce(nullif(l.metadata, '{}'), m.metadata) as metadata,
       coalesce((select jsonb_agg(distinct jsonb_build_object('name', s.name, 'kind', s.kind)) from subjects s join picture_subjects ps on ps.subject_id = s.id
         join files g on g.site_id = ps.site_id and g.sha256 = ps.sha256 where g.picture_id = f.picture_id and g.gone_in is null), '[]') as subjects
     from files f left join pictures p on p.id = f.picture_id left join looks l on l.sha256 = f.sha256 left join looks m on m.sha256 = p.master_sha left join readings t on t.sha256 = p.master_sha
     where f.site_id = $1 and f.gone_in is null and f.path = any($2::text[])`,
    [site.id, [...paths]],
  );
  const known = new Map(rows.map((row) => [row.path, row]));
  const targets = await targetTitles(site, places);
  return new Map(
    places.map((place) => {
      const { id, filePath, language, alt, caption, raw, link, headings, stored } = place;
      const row = filePath === null ? undefined : known.get(filePath);
      const named = (kind: string) =>
        (row?.subjects ?? []).filter((one) => one.kind === kind).map(({ name }) => name);
      // Each by its name: putting a whole row into a new object took ten times as long as the drafts.
      const drafts = draftsOf({
        language,
        alt,
        caption,
        raw,
        link,
        headings,
        stored,
        targetTitle: targets.get(id) ?? null,
        altTexts: row?.alt_texts ?? {},
        embedded: row?.metadata?.altText ?? row?.metadata?.description ?? null,
        title: row?.title ?? null,
        people: named('person'),
        places: named('place'),
        things: named('thing'),
        readText: row?.read_text ?? null,
      });
      return [id, drafts];
    }),
  );
}

/** Titles of the pages to which links around places lead, by place. */
async function targetTitles(site: Site, places: readonly DraftedPlace[]): Promise<Map<number, string>> {
  const rules = rulesOf(site);
  const targets = places.flatMap(({ id, link, page }) => {
    if (!link) return [];
    const to = resolveAddress(link.href.replace(/#.*$/su, ''), urlOfPath(page, rules), rules);
    return to.kind === 'site' ? [{ id, path: to.path.replace(/(^|\/)$/u, '$1index.html') }] : [];
  });
  const { rows } = await database().pool.query<{ path: string; title: string }>(
    'select path, title from pages where site_id = $1 and gone_in is null and path = any($2::text[])',
    [site.id, [...new Set(targets.map(({ path }) => path))]],
  );
  const titles = new Map(rows.map(({ path, title }) => [path, titleText(title, site.name)]));
  return new Map(targets.flatMap(({ id, path }) => (titles.has(path) ? [[id, titles.get(path) ?? '']] : [])));
}
