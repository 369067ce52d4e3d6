/**
 * Made-up pages, read here and by Chromium with scripts off: whatever picture the browser asks for is known, at that address,
 * and none of them is called dormant. What is not is named. `SEED` draws other pages.
 */
import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { decodePath } from '@/core/address/resolve-address';
import { CHROMIUM } from '../chromium';
import { ibidem } from '../fixtures/run-ibidem';
import { standIn } from '../fixtures/stand-in-server';
import { report } from './measure';
import { MARK, randomPages } from './random-pages';

const PAGES = 40;
const SEED = Number(process.env['SEED'] ?? 1);
const PIXEL = Buffer.from('R0lGODlhAQABAAAAACwAAAAAAQABAAACAkQBADs=', 'base64');

interface Row {
  readonly page: string;
  readonly raw: string;
  readonly url: string | null;
  readonly dormant: boolean;
}

export async function benchBrowser(): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), 'ibidem-browser-'));
  const pages = new Map(
    randomPages(PAGES, SEED).map((text, n) => [n % 2 === 0 ? `p${n}.html` : `sub/p${n}.html`, text]),
  );
  await mkdir(join(folder, 'sub'));
  for (const [path, text] of pages) await writeFile(join(folder, path), text);
  const server = await standIn((path) =>
    MARK.test(path) ? { headers: { 'content-type': 'image/gif' }, body: PIXEL } : pages.get(path.slice(1)),
  );
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox'] });
  try {
    const read = await ibidem('read', folder);
    if (read.code !== 0) throw new Error(read.err);
    const rows = read.out.split('\n').filter(Boolean).map((line) => JSON.parse(line) as Row); // oxfmt-ignore
    const window = await browser.newPage({
      javaScriptEnabled: false,
      viewport: { width: 1280, height: 20_000 },
    });
    const seen = { asked: 0, known: 0 };
    for (const path of pages.keys()) {
      const known = new Set(rows.filter((row) => row.page === path && !row.dormant).map(({ url }) => url));
      for (const asked of await askedBy(window, `${server.origin}/${path}`)) {
        seen.asked++;
        if (known.has(asNamed(asked, server.origin))) seen.known++;
        else process.stderr.write(`not known: ${path} ${asked}\n`);
      }
    }
    report(
      `pictures that a browser asks for on ${PAGES} made-up pages: known here`,
      { ours: seen.known, bare: seen.asked, unit: 'pictures' },
      { atLeast: 1 },
    );
  } finally {
    await browser.close();
    await server.close();
    await rm(folder, { recursive: true });
  }
}

/** Addresses of marked pictures that a page asks for. */
async function askedBy(window: Page, address: string): Promise<Set<string>> {
  const asked = new Set<string>();
  const note = (request: { url(): string }) => {
    const url = request.url().replace(/#.*/su, '');
    if (MARK.test(url)) asked.add(url);
  };
  window.on('request', note);
  await window.goto(address, { waitUntil: 'networkidle' });
  window.off('request', note);
  return asked;
}

/** An address as rows name it. */
function asNamed(url: string, origin: string): string {
  if (!url.startsWith(`${origin}/`)) return url;
  return decodePath(url.slice(origin.length + 1).replace(/\?.*/su, ''), { keepsQueries: false });
}
