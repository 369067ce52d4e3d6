import { randomBytes } from 'node:crypto';
import { mkdir, rm } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import Joi from 'joi';
import { slugOf } from '@/core/swap/file-name';
import { requireRole, type Actor } from '../../accounts/actor';
import { openFetcher } from '../../connections/http/fetch-address';
import { CRAWL_LIMITS } from '../../connections/http/crawl';
import { scopeOfStart } from '../../connections/http/mirror-site';
import { refuseForbidden } from '../../connections/folder/allowed-folder';
import { openFolder } from '../../connections/folder/open-folder';
import { pagesOf } from '../../connections/site-sources';
import { unpackZip } from '../../connections/zip';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { sites, type ConnectionSettings } from '../../db/schema/sites';
import { settings } from '../../settings';
import { logEvent } from '../log-event';
import { startSurvey } from '../surveys/start-survey';

export interface NewSite {
  readonly name: string;
  readonly liveUrl: string | null;
  /** Other host names that pages use for the site itself. */
  readonly hosts: readonly string[];
  /** A folder on this machine, a ZIP that was sent and lies at a path, or an address to read pages from. */
  readonly from:
    | { readonly kind: 'folder' | 'zip'; readonly path: string }
    | { readonly kind: 'http'; readonly start: string; readonly isPrivate: boolean };
}

const SCHEMA = Joi.object<NewSite>({
  name: Joi.string().trim().max(120).required().messages({ 'string.empty': 'The site needs a name.' }),
  liveUrl: Joi.string()
    .uri({ scheme: ['http', 'https'] })
    .allow(null)
    .required()
    .messages({ 'string.uriCustomScheme': 'The address must begin with http:// or https://.' }),
  hosts: Joi.array().items(Joi.string().hostname()).max(20).required(),
  from: Joi.alternatives(
    Joi.object({ kind: Joi.valid('folder', 'zip').required(), path: Joi.string().required() }),
    Joi.object({
      kind: Joi.valid('http').required(),
      start: Joi.string()
        .uri({ scheme: ['http', 'https'] })
        .required(),
      isPrivate: Joi.boolean().required(),
    }),
  ).required(),
});

/**
 * Connects a site and starts its first survey.
 *
 * @returns the site's slug
 * @throws ProblemError where the input is wrong, the folder or ZIP can't be used, or it holds no page
 */
export async function connectSite(db: Database, actor: Actor, input: NewSite): Promise<string> {
  requireRole(actor, ['maintainer'], 'connect a site');
  const value = checkedInput(SCHEMA, input, { code: 'SITE_INPUT', what: 'The site was not connected.' });
  const connection = await prepareConnection(value);
  const base = slugOf(value.name);
  const slug = await freeSlug(db, base);
  const readers = value.liveUrl ?? (value.from.kind === 'http' ? new URL('/', value.from.start).href : null);
  const liveUrl = readers?.replace(/\/+$/, '') ?? null;
  const [site] = await db.orm
    .insert(sites)
    .values({ slug, name: value.name, connection, liveUrl, hosts: value.hosts })
    .returning();
  if (!site) throw new Error('the new site was not returned');
  await logEvent(db, actor, { siteId: site.id, verb: 'connect site', details: value.from.kind });
  await startSurvey(db, actor, site.id);
  return slug;
}

async function freeSlug({ pool }: Database, base: string): Promise<string> {
  const { rows } = await pool.query<{ slug: string }>(
    'select slug from sites where slug = $1 or slug like $1 || $2',
    [base, '-%'],
  );
  const taken = new Set(rows.map(({ slug }) => slug));
  let slug = base;
  for (let n = 2; taken.has(slug); n++) slug = `${base}-${n}`;
  return slug;
}

async function prepareConnection({ from }: NewSite): Promise<ConnectionSettings> {
  if (from.kind === 'http') {
    const url = new URL(from.start);
    const privateHosts = from.isPrivate ? [url.host] : [];
    await checkStart(url.href, privateHosts);
    return { kind: 'http', start: url.href, privateHosts, maxPages: CRAWL_LIMITS.maxPages };
  }
  if (from.kind === 'folder') {
    await refuseForbidden(from.path, { roots: settings().siteRoots, own: [settings().ownFolder] });
    await checkFolder(from.path);
    return { kind: 'folder', folder: resolve(from.path) };
  }
  const folder = join(settings().sitesFolder, randomBytes(8).toString('hex'));
  await mkdir(folder, { recursive: true });
  try {
    await unpackZip(from.path, folder);
    await checkFolder(folder);
  } catch (error) {
    await rm(folder, { recursive: true, force: true });
    throw error;
  }
  return { kind: 'zip', folder };
}

async function checkFolder(folder: string): Promise<void> {
  const connection = await openFolder(folder);
  pagesOf((await connection.list()).files);
}

/** Asks for the start once, so that a wrong address is told where it was typed. */
async function checkStart(start: string, privateHosts: readonly string[]): Promise<void> {
  const fetcher = openFetcher(privateHosts, { attempts: 1, totalMs: 20_000 });
  await scopeOfStart(fetcher, start).finally(() => fetcher.close());
}
