/**
 * Missing text alternatives that are told here, of those that an accessibility engine finds in a browser, on pages that
 * nobody here wrote. Where the two differ, the page is named.
 */
import { join } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { chromium, type Page } from '@playwright/test';
import { siteOfFiles } from '@/core/address/resolve-address';
import { checkPage } from '@/core/errata/check-page';
import { placementsToCheck } from '@/core/errata/page-to-check';
import { readPage } from '@/core/markup/read-page';
import { decodeHtml } from '@/core/source/decode-source';
import { PICTURE_RULES } from '../fixtures/picture-rules';
import { report } from './measure';
import { pagesIn, type BenchPage } from './pages';
import { CHROMIUM } from '../chromium';

/** Of each folder, evenly strewn. */
const MOST_PAGES = 100;
const WITH_PICTURE = /<(?:img|area|svg|object|input)\b|\brole=/iu;

export async function benchAlternatives(folders: readonly string[]): Promise<void> {
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu'],
  });
  const page = await browser.newPage();
  await page.route(/^https?:/u, (route) => route.abort());
  for (const folder of folders) {
    const all = (await pagesIn(folder)).filter(({ bytes }) =>
      WITH_PICTURE.test(Buffer.from(bytes).toString('latin1')),
    );
    const step = Math.max(1, Math.ceil(all.length / MOST_PAGES));
    let [both, theirs, ours] = [0, 0, 0];
    for (const one of all.filter((_, n) => n % step === 0)) {
      const [engine, told] = [await byEngine(page, join(folder, one.path)), toldOf(one)];
      const musts = told.filter(({ degree }) => degree === 'must').length;
      both += Math.min(engine, told.length);
      theirs += engine;
      ours += musts;
      if (engine > told.length || musts > engine)
        process.stderr.write(
          `${one.path}: the engine finds ${engine}, here are ${told.length}, ${musts} of them musts\n`,
        );
    }
    report(
      `missing text alternatives told, of those in ${folder}`,
      {
        ours: both,
        bare: theirs,
        unit: 'pictures',
      },
      { atLeast: 0.98 },
    );
    report(
      `musts of missing text alternatives, beside those in ${folder}`,
      {
        ours,
        bare: theirs,
        unit: 'pictures',
      },
      { atMost: 1.2 },
    );
  }
  await browser.close();
}

async function byEngine(page: Page, path: string): Promise<number> {
  await page.goto(`file://${path}`, { waitUntil: 'domcontentloaded' });
  const { violations } = await new AxeBuilder({ page }).withRules(PICTURE_RULES).setLegacyMode().analyze();
  return violations.reduce((sum, { nodes }) => sum + nodes.length, 0);
}

function toldOf({ path, bytes }: BenchPage) {
  const reading = readPage({
    ...{ address: path, source: decodeHtml(bytes), site: siteOfFiles(), sheetOf: () => undefined },
  });
  const page = { ...reading, path, placements: placementsToCheck(reading.placements) };
  return checkPage({ ...page, pictures: new Map(), people: [], titles: new Map(), today: 0 }).filter(
    ({ rule }) => rule === 'alt/absent',
  );
}
