/**
 * Pages whose pictures are far larger than their places, made lighter as is offered: what a browser as wide as a phone loads
 * of a page before and after, and how alike what it shows is. The demo's pages, and those of sites given as folders.
 */
import { cp, mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { chromium, type Page } from '@playwright/test';
import { generateSite } from '@demo/site/generate';
import { connect, type Database } from '@/server/db/database';
import { migrateDatabase } from '@/server/db/migrate';
import { settings } from '@/server/settings';
import { gatherRefit } from '@/server/work/editions/gather-refit';
import { prepareChange } from '@/server/work/editions/prepare-change';
import { publishEdition } from '@/server/work/editions/publish-edition';
import { runPublication } from '@/server/work/editions/run-publication';
import { checkSite } from '@/server/work/errata/check-site';
import { connectSite } from '@/server/work/sites/connect-site';
import { surveySite } from '@/server/work/surveys/survey-site';
import { likeness } from '../fixtures/likeness';
import { report } from './measure';
import { CHROMIUM } from '../chromium';

const ACTOR = { id: 'm', name: 'Maud Kestle', role: 'maintainer' } as const;
/** A phone: CSS pixels, and pixels of its screen to each. */
const PHONE = { viewport: { width: 390, height: 844 }, deviceScaleFactor: 2 };
/** Of a site that nobody here wrote, the first so many. */
const MOST_PAGES = 20;

/** What a browser loads of a page in pictures, and what each `img` shows, in page order. */
interface Loaded {
  readonly bytes: number;
  readonly shown: readonly { readonly file: string; readonly width: number; readonly height: number }[];
}

interface Seen {
  pages: number;
  before: number;
  after: number;
  /** The page that loses the smallest share of its bytes keeps this share of them. */
  mostKept: number;
  /** Of all pictures that changed, the one that is least like what it was. */
  leastAlike: number;
}

export async function benchLightening(folders: readonly string[]): Promise<void> {
  const root = await mkdtemp(join(tmpdir(), 'ibidem-bench-lightening-'));
  const db = connect(settings().databaseUrl);
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox'] });
  const page = await (await browser.newContext(PHONE)).newPage();
  try {
    await migrateDatabase(db);
    const demo = join(root, 'demo');
    await generateSite(demo, join(root, 'answers.json'));
    tell('the demo', await lightened(db, page, demo));
    for (const [n, folder] of folders.entries()) {
      const copy = join(root, `site ${n}`);
      await cp(folder, copy, { recursive: true });
      tell(folder, await lightened(db, page, copy));
    }
  } finally {
    await browser.close();
    await db.pool.end();
    await rm(root, { recursive: true, force: true });
  }
}

function tell(name: string, { pages, before, after, mostKept, leastAlike }: Seen): void {
  if (pages === 0) return void process.stderr.write(`${name}: no picture is far larger than its place\n`);
  report(`bytes that a phone loads of ${pages} heavy pages of ${name} ÷ before`, { ours: after, bare: before, unit: 'bytes' }, { atMost: 0.4 }); // oxfmt-ignore
  report(`of the page that loses least, of ${name}`, { ours: mostKept, bare: 1, unit: 'share' }, { atMost: 0.4 }); // oxfmt-ignore
  report(`the picture least like what it was, of ${name}`, { ours: leastAlike, bare: 1, unit: 'similarity' }, { atLeast: 0.95 }); // oxfmt-ignore
}

/** Makes every heavy page of a site lighter, in one edition, and looks at each before and after. */
async function lightened(db: Database, page: Page, folder: string): Promise<Seen> {
  const query = async <R extends object>(text: string, values: unknown[]) => (await db.pool.query<R>(text, values)).rows; // oxfmt-ignore
  const slug = await connectSite(db, ACTOR, { name: `Light ${Date.now()}`, liveUrl: null, hosts: [], from: { kind: 'folder', path: folder } }); // oxfmt-ignore
  const [survey] = await query<{ id: number; site: number }>('select v.id, s.id as site from surveys v join sites s on s.id = v.site_id where s.slug = $1', [slug]); // oxfmt-ignore
  if (!survey) throw new Error(`${folder} was not connected`);
  await surveySite(db, survey.id);
  await checkSite(db, survey.site, Date.now());
  const heavy = await query<{ path: string }>("select distinct page_path as path from errata where site_id = $1 and rule = 'file/too-heavy' order by 1 limit $2", [survey.site, MOST_PAGES]); // oxfmt-ignore
  const was = `${folder} as it was`;
  await cp(folder, was, { recursive: true });
  let edition = 0;
  for (const { path } of heavy) edition = await gatherRefit(db, ACTOR, survey.site, { page: path });
  if (heavy.length > 0) await publish(db, edition);
  const seen: Seen = { pages: 0, before: 0, after: 0, mostKept: 0, leastAlike: 1 };
  for (const { path } of heavy) await compare(page, seen, { was, folder, path });
  return seen;
}

async function publish(db: Database, edition: number): Promise<void> {
  const ids = async (text: string) => (await db.pool.query<{ id: number }>(text, [edition])).rows;
  for (const { id } of await ids('select id from changes where edition_id = $1 order by id')) await prepareChange(db, id); // oxfmt-ignore
  await publishEdition(db, ACTOR, edition);
  for (const { id } of await ids('select id from publications where edition_id = $1')) await runPublication(db, id); // oxfmt-ignore
  const [left] = await ids("select id from editions where id = $1 and state <> 'published'");
  if (left) throw new Error('the edition was not published');
}

async function compare(
  page: Page,
  seen: Seen,
  { was, folder, path }: { readonly was: string; readonly folder: string; readonly path: string },
): Promise<void> {
  const [before, after] = [await loaded(page, join(was, path)), await loaded(page, join(folder, path))];
  seen.pages++;
  seen.before += before.bytes;
  seen.after += after.bytes;
  seen.mostKept = Math.max(seen.mostKept, after.bytes / before.bytes);
  for (const [n, { file, width, height }] of before.shown.entries()) {
    const now = after.shown[n];
    if (!now || now.file.slice(folder.length) === file.slice(was.length)) continue;
    const onScreen = { width: width * PHONE.deviceScaleFactor, height: height * PHONE.deviceScaleFactor };
    const alike = await likeness(await readFile(file), await readFile(now.file), onScreen);
    seen.leastAlike = Math.min(seen.leastAlike, alike);
  }
}

async function loaded(page: Page, file: string): Promise<Loaded> {
  const bytesOf = new Map<string, number>();
  const note = async (url: string) => void bytesOf.set(url, (await readFile(fileURLToPath(url))).length);
  const noted: Promise<void>[] = [];
  // A picture that is missing weighs nothing, and one that can’t be decoded is shown as nothing, before as after.
  const listen = (request: { url(): string; resourceType(): string }) => {
    if (request.resourceType() === 'image' && request.url().startsWith('file:')) noted.push(note(request.url()).catch(() => undefined)); // oxfmt-ignore
  };
  page.on('request', listen);
  await page.goto(pathToFileURL(file).href, { waitUntil: 'load' });
  const shown = await page.evaluate(async () => {
    const images = [...document.querySelectorAll('img')];
    // One that waits to be scrolled to is loaded all the same.
    for (const image of images) image.loading = 'eager';
    await Promise.all(images.map((image) => image.decode().catch(() => undefined)));
    return images.map((image) => {
      const { width, height } = image.getBoundingClientRect();
      return { url: image.currentSrc, width, height };
    });
  });
  page.off('request', listen);
  await Promise.all(noted);
  const local = shown.filter(({ url }) => url.startsWith('file:'));
  const bytes = [...bytesOf.values()].reduce((sum, one) => sum + one, 0);
  return { bytes, shown: local.map(({ url, ...box }) => ({ ...box, file: fileURLToPath(url) })) };
}
