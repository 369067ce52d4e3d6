/** What a proof serves: the page live and with the draft's edits, its sheets, its new files; and what it measures. */
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { siteFrame } from '@/app/_data/frame';
import { pageById } from '@/app/_data/pages/pages';
import { problemOf } from '@/server/problem-error';
import { gatherSwap } from '@/server/work/editions/gather-swap';
import { removeSection, saveSection } from '@/server/work/sections/keep-sections';
import { openProofSite, placementsInProof, proofFile } from '@/server/work/proof/make-proof';
import { receiveIntake } from '@/server/work/intake/receive-intake';
import { saveSlots } from '@/server/work/proof/save-slots';
import { connected } from '../fixtures/connected';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, useDatabase, VIEWER } from '../fixtures/test-database';
import { flatPicture, writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let siteId = 0;
const at = { root: '/proof/key', nonce: 'n0nce' };

beforeAll(async () => {
  const root = join(held.folder, 'site');
  await writeFiles(root, {
    'index.html':
      '<title>Home</title><link rel=stylesheet href="/css/s.css"><body onload="steal()"><img src="/img/a.jpg" alt="old words"><a href="news/x.html">x</a>',
    'news/x.html': '<title>X</title><img src=../img/a.jpg>',
    'settings.php': '<?php $password = "secret";',
    'css/s.css': '@import "more.css"; a{background:url("../img/a.jpg")}',
    'css/more.css': '@font-face{src:url(f.woff2)} img{content:url(/img/a.jpg)}',
    'img/a.jpg': await flatPicture(60, 40),
  });
  siteId = await connected(held.db, 'Proof', root);
});

async function served(state: 'live' | 'draft', path: string): Promise<string> {
  const file = await proofFile(await openProofSite(held.db, siteId, state), path, at);
  return file ? Buffer.from(file.bytes).toString() : 'nothing';
}

describe('a proof', () => {
  it('leads references to its own files, marks the places, and runs its one script', async () => {
    const html = await served('live', 'index.html');
    expect(html).toContain('href="/proof/key/css/s.css"');
    expect(html).toMatch(/<img data-ibidem-place="[\d ]+" src="\/proof\/key\/img\/a\.jpg" alt="old words">/);
    expect(html.match(/<script nonce="n0nce">/g)).toHaveLength(1);
    expect(await served('live', 'css/s.css')).toBe(
      '@import "more.css"; a{background:url("/proof/key/img/a.jpg")}',
    );
    expect(await served('live', 'css/more.css')).toContain('content:url(/proof/key/img/a.jpg)');
  });

  it('serves pictures with their type, and nothing that is not the site’s', async () => {
    const site = await openProofSite(held.db, siteId, 'live');
    expect(await proofFile(site, 'img/a.jpg', at)).toMatchObject({ type: 'image/jpeg', isPage: false });
    for (const path of ['img/none.jpg', '../../../etc/passwd', 'none.html', 'settings.php'])
      expect(await proofFile(site, path, at)).toBeNull();
    await expect(openProofSite(held.db, 9999, 'live')).rejects.toThrow('There is no such site');
  });

  it('shows what the edition being gathered would make of the page, and the live page beside it', async () => {
    const bytes = await flatPicture(600, 400);
    const intakeId = await receiveIntake(held.db, MAINTAINER, { siteId, fileName: 'new view.jpg', bytes });
    const { rows } = await held.db.pool.query<{ id: string }>(
      "select id from placements where page_path = 'index.html' and kind = 'img' and until_survey is null",
    );
    await gatherSwap(held.db, MAINTAINER, {
      ...{ siteId, fromPath: 'img/a.jpg', placementIds: rows.map(({ id }) => Number(id)) },
      ...{
        intakeId,
        alt: 'new words',
        caption: null,
        focal: { x: 0.5, y: 0.5 },
      },
    });
    await runJobs(held.db);
    const draft = await served('draft', 'index.html');
    expect(draft).toContain('alt="new words"');
    const path = /src="\/proof\/key\/(img\/new-view[\w-]*\.jpg)"/.exec(draft)?.[1] ?? '';
    const file = await proofFile(await openProofSite(held.db, siteId, 'draft'), path, at);
    expect(file?.bytes.length).toBeGreaterThan(100);
    expect(await proofFile(await openProofSite(held.db, siteId, 'live'), path, at)).toBeNull();
    expect(await served('live', 'index.html')).toContain('alt="old words"');
  });

  it('keeps the spaces that were measured, of places that were seen', async () => {
    const { rows } = await held.db.pool.query<{ id: number }>(
      "select id from pages where path = 'index.html'",
    );
    const pageId = rows[0]?.id ?? 0;
    expect((await pageById(siteId, pageId))?.title).toBe('Home');
    const placements = await placementsInProof(await openProofSite(held.db, siteId, 'live'), 'index.html');
    expect(placements.length).toBeGreaterThan(2);
    const box = { x: 1, y: 2, width: 300, height: 200, fit: 'fill' };
    const places = [
      { ...box, number: 1, isSeen: true },
      { ...box, number: 2, isSeen: false },
      { ...box, number: 99, isSeen: true },
    ];
    await saveSlots(held.db, MAINTAINER, { siteId, pageId }, { width: 'desktop', places });
    await saveSlots(held.db, MAINTAINER, { siteId, pageId }, { width: 'desktop', places });
    const { rows: kept } = await held.db.pool.query(
      'select width, source_path, start, width_px, height_px from slots',
    );
    expect(kept).toEqual([
      {
        width: 'desktop',
        source_path: 'index.html',
        start: placements[0]?.start,
        width_px: 300,
        height_px: 200,
      },
    ]);
  });
});

describe('sections', () => {
  const sections = async () =>
    (await siteFrame(siteId)).sections.map(({ section, name, pages }) => `${section}|${name}|${pages}`);

  it('take the pages that fit, and give them back', async () => {
    expect(await sections()).toEqual(['|null|1', 'news|null|1']);
    await saveSection(held.db, MAINTAINER, siteId, {
      pattern: 'news/x*',
      name: 'All the news',
      ownerId: null,
    });
    expect(await sections()).toEqual(['|null|1', 'news/x*|All the news|1']);
    await removeSection(held.db, MAINTAINER, siteId, 'news/x*');
    expect(await sections()).toEqual(['|null|1', 'news|null|1']);
  });

  it.each([
    ['a slash at its end', { pattern: 'news/' }],
    ['no name', { name: ' ' }],
    ['no pattern', { pattern: '' }],
  ])('are refused with %s', async (_name, change) => {
    const input = { pattern: 'news', name: 'News', ownerId: null, ...change };
    const refused = await saveSection(held.db, MAINTAINER, siteId, input).catch(
      (error: unknown) => problemOf(error).code,
    );
    expect(refused).toBe('SECTION_INPUT');
  });

  it('are the maintainer’s to arrange', async () => {
    const refused = await saveSection(held.db, VIEWER, siteId, {
      pattern: 'news',
      name: 'News',
      ownerId: null,
    }).catch((error: unknown) => problemOf(error).code);
    expect(refused).toBe('NOT_ALLOWED');
  });
});
