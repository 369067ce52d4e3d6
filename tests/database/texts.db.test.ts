import { join } from 'node:path';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { listErrata } from '@/app/_data/errata/errata';
import { listProposals } from '@/app/_data/errata/proposals';
import { sites } from '@/server/db/schema/sites';
import { readTexts } from '@/server/work/pictures/read-texts';
import { queueSurvey } from '@/server/work/surveys/start-survey';
import { connected } from '../fixtures/connected';
import { runJobs } from '../fixtures/run-jobs';
import { useDatabase } from '../fixtures/test-database';
import { flatPicture, writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let folder: string;
let siteId: number;

async function poster(lines: readonly string[], width = 620): Promise<Buffer> {
  const texts = lines
    .map((line, i) => `<text x="30" y="${90 + i * 80}" font-size="44">${line}</text>`)
    .join('');
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 620 ${lines.length * 80 + 60}" width="${width}" font-family="DejaVu Sans"><rect width="100%" height="100%" fill="#fbf3dd"/>${texts}</svg>`;
  return sharp(Buffer.from(svg)).png().toBuffer();
}

const page = (language: string, body: string) =>
  `<html lang="${language}"><title>T</title><h1>Concerts</h1>${body}`;
const readings = async () => {
  const { rows } = await held.db.pool.query<{
    path: string;
    languages: string;
    text: string;
    problem: string | null;
  }>(
    `select min(f.path) as path, r.languages, r.text, r.problem from readings r join files f on f.sha256 = r.sha256
     where f.site_id = $1 and f.gone_in is null group by r.sha256 order by 1`,
    [siteId],
  );
  return rows;
};

beforeAll(async () => {
  folder = join(held.folder, 'site');
  await writeFiles(folder, {
    'index.html': page(
      'en-GB',
      '<p><img src="img/poster.png" alt="poster"><img src="img/wall.png" alt="A wall"></p>',
    ),
    'de.html': page('de', '<p><img src="img/plakat.png" alt="Plakat"><img src="img/tiny.png" alt="x"></p>'),
    'unused.html': page('en', '<p>No picture.</p>'),
    'img/poster.png': await poster(['SUMMER CONCERT', 'Saturday 14 June', 'Old Fire Station']),
    'img/wall.png': await flatPicture(400, 300, 'png'),
    'img/plakat.png': await poster(['Frühlingskonzert', 'Samstag 14 Juni', 'Alte Feuerwache']),
    'img/tiny.png': await poster(['Too small to be read'], 150),
    'img/alone.png': await poster(['Shown on no page at all']),
  });
  siteId = await connected(held.db, 'Texts', folder);
});

describe('words within pictures', () => {
  it('are read once the pictures are known: of those that stand somewhere, in the languages of their pages', async () => {
    expect(await readings()).toEqual([
      {
        path: 'img/plakat.png',
        languages: 'drawn de',
        text: 'Frühlingskonzert\nSamstag 14 Juni\nAlte Feuerwache',
        problem: null,
      },
      {
        path: 'img/poster.png',
        languages: 'drawn en',
        text: 'SUMMER CONCERT\nSaturday 14 June\nOld Fire Station',
        problem: null,
      },
      { path: 'img/wall.png', languages: 'drawn en', text: '', problem: null },
    ]);
    expect(await readTexts(held.db, siteId)).toBe(0);
  });

  it('are missed in alt texts, and proposed for them', async () => {
    const asked = { filter: 'all', rule: 'alt/picture-of-text', section: null, owner: null } as const;
    const { rows } = await listErrata(siteId, { ...asked, sheet: 1 });
    expect(rows.map(({ page_path: path, degree }) => `${path} ${degree}`).sort()).toEqual([
      'de.html must',
      'index.html must',
    ]);
    const [site] = await held.db.orm.select().from(sites);
    if (!site) throw new Error('the site is gone');
    const proposals = await listProposals(site, asked);
    expect(proposals.map(({ after, from }) => `${after} (${from})`).sort()).toEqual([
      'Frühlingskonzert Samstag 14 Juni Alte Feuerwache (rule)',
      'SUMMER CONCERT Saturday 14 June Old Fire Station (rule)',
    ]);
  });

  it('are read again where other bytes stand there, or pages in another language show them', async () => {
    await writeFiles(folder, {
      'index.html': page(
        'en-GB',
        '<p><img src="img/plakat.png" alt="Plakat"><img src="img/wall.png" alt="A wall"></p>',
      ),
      'img/wall.png': await poster(['Closed in August', 'See you in autumn']),
    });
    await queueSurvey(held.db, siteId, 'asked');
    await runJobs(held.db);
    expect(
      (await readings()).map(({ path, languages, text }) => [path, languages, text.split('\n')[0]]),
    ).toEqual([
      ['img/plakat.png', 'drawn de+en', 'Frühlingskonzert'],
      ['img/poster.png', 'drawn en', 'SUMMER CONCERT'],
      ['img/wall.png', 'drawn en', 'Closed in August'],
    ]);
  });

  it('that can’t be read are told so, and hinder no others', async () => {
    await held.db.pool.query(`update readings set languages = 'fr'`);
    await held.db.pool.query(
      `update files set path = 'img/moved.png' where site_id = $1 and path = 'img/wall.png'`,
      [siteId],
    );
    await held.db.pool.query(
      `update placements set file_path = 'img/moved.png' where site_id = $1 and file_path = 'img/wall.png'`,
      [siteId],
    );
    await runJobs(held.db);
    await readTexts(held.db, siteId);
    const rows = await readings();
    expect(rows.find(({ path }) => path === 'img/moved.png')).toMatchObject({ text: '' });
    expect(rows.find(({ path }) => path === 'img/moved.png')?.problem).toBeTruthy();
    expect(rows.find(({ path }) => path === 'img/plakat.png')).toMatchObject({
      languages: 'drawn de+en',
      problem: null,
    });
  });
});
