import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { beforeAll, describe, expect, it } from 'vitest';
import { listProposals } from '@/app/_data/errata/proposals';
import { deskItem } from '@/app/_data/words/text-desk-item';
import { deskQueue, type DeskQuery } from '@/app/_data/words/text-desk-queue';
import { editionByNumber } from '@/app/_data/editions/editions';
import { sites } from '@/server/db/schema/sites';
import { problemOf } from '@/server/problem-error';
import { checkWords } from '@/server/work/errata/check-words';
import { dropChange, gatherSwap } from '@/server/work/editions/gather-swap';
import { gatherWords, type WordsOfPlaces } from '@/server/work/words/gather-words';
import { publishEdition, withdrawEdition } from '@/server/work/editions/publish-edition';
import { receiveIntake } from '@/server/work/intake/receive-intake';
import { queueSurvey } from '@/server/work/surveys/start-survey';
import { connected } from '../fixtures/connected';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, useDatabase, VIEWER } from '../fixtures/test-database';
import { flatPicture, snapshot, writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let folder: string;
let siteId: number;

const PAGES = {
  'index.html':
    '<html lang="en"><title>Home, Hall</title>\r\n<h2>Rooms</h2><p>Come in.</p>\r\n<a href="rooms.html"><IMG SRC=img/a.png></a>\r\n<figure><img src="img/b.png" alt=\'image\'>\r\n  <figcaption>\r\n  Caption goes here\r\n  </figcaption></figure>\r\n',
  'rooms.html':
    '<html lang="en"><title>The rooms, Hall</title><p><img src="img/b.png" alt="The big room"><img src="img/c.png" alt=""></p>',
  'more/x.html':
    '<html lang="en"><title>X</title><p><img src="../img/b.png" alt="image" srcset="../img/b.png 2x"></p>',
  'more/y.html': '<html lang="en"><title>Y</title><p><img src="../img/b.png" alt="image"></p>',
};

const ALL: DeskQuery = { filter: 'all', rule: null, section: null, owner: null, pictures: [] };

async function placesOf(file: string): Promise<{ page: string; id: number }[]> {
  const { rows } = await held.db.pool.query<{ page: string; id: string }>(
    `select page_path as page, id from placements where site_id = $1 and file_path = $2 and kind = 'img' and until_survey is null order by page_path`,
    [siteId, file],
  );
  return rows.map(({ page, id }) => ({ page, id: Number(id) }));
}

const words = (id: number, alt: string | null, caption: string | null = null): WordsOfPlaces => ({
  ids: [id],
  ...{ alt, caption },
});

/** The changes of the draft: what each writes. */
async function draft() {
  const { rows } = await held.db.pool.query<{ number: number }>(
    `select number from editions where site_id = $1 and state = 'draft'`,
    [siteId],
  );
  const found = rows[0] ? await editionByNumber(siteId, rows[0].number) : null;
  return {
    id: found?.edition.id ?? 0,
    changes: found?.gathered.map(({ change }) => change) ?? [],
    edits: (found?.edits ?? []).map(({ pagePath, subject, becomes }) => `${pagePath} ${subject} ${becomes}`),
  };
}

async function gather(places: readonly WordsOfPlaces[]) {
  const outcome = await gatherWords(held.db, MAINTAINER, siteId, places);
  await runJobs(held.db);
  return outcome;
}

const refused = async (deed: Promise<unknown>) =>
  deed.then(
    () => 'nothing refused',
    (error: unknown) => problemOf(error).code,
  );

async function siteRow() {
  const [site] = await held.db.orm.select().from(sites).where(eq(sites.id, siteId));
  if (!site) throw new Error('the site is gone');
  return site;
}

beforeAll(async () => {
  folder = join(held.folder, 'site');
  const drawn = async (width: number, height: number) => flatPicture(width, height, 'png');
  await writeFiles(folder, {
    ...PAGES,
    'img/a.png': await drawn(200, 100),
    'img/b.png': await drawn(400, 300),
    'img/c.png': await drawn(90, 300),
  });
  siteId = await connected(held.db, 'Words', folder);
});

describe('the text desk', () => {
  it('has the pictures whose words a rule finds fault with, the gravest first', async () => {
    const queue = await deskQueue(siteId, ALL);
    expect(queue.map(({ name, worst, isGathered }) => [name, worst, isGathered])).toEqual([
      ['b.png', 'must', false],
      ['a.png', 'must', false],
    ]);
    expect((await deskQueue(siteId, { ...ALL, rule: 'alt/absent' })).map(({ name }) => name)).toEqual([
      'a.png',
    ]);
    expect(await deskQueue(siteId, { ...ALL, filter: 'note', rule: 'alt/absent' })).toEqual([]);
    expect((await deskQueue(siteId, { ...ALL, section: 'more' })).map(({ errata }) => errata)).toEqual([2]);
  });

  it('has chosen pictures in the order in which they were chosen, whatever is wrong', async () => {
    const { rows } = await held.db.pool.query<{ id: number }>(
      `select picture_id as id from files where site_id = $1 and path in ('img/a.png', 'img/c.png') order by path desc`,
      [siteId],
    );
    const pictures = rows.map(({ id }) => id);
    const queue = await deskQueue(siteId, { ...ALL, pictures });
    expect(queue.map(({ name, errata }) => [name, errata])).toEqual([
      ['c.png', 0],
      ['a.png', 1],
    ]);
  });

  it('lays out places that are alike together, with what is known and what is wrong', async () => {
    const [first, second] = await deskQueue(siteId, ALL);
    const item = await deskItem(await siteRow(), first?.key ?? '');
    expect(
      item?.places.map(({ page, pages, place, takes, branch }) => [
        page.path,
        pages,
        place.alt,
        takes.caption,
        branch,
      ]),
    ).toEqual([
      ['index.html', 1, 'image', true, 'informative'],
      ['rooms.html', 1, 'The big room', false, 'informative'],
      ['more/x.html', 2, 'image', false, 'informative'],
    ]);
    expect(item?.places[0]?.findings.map(({ rule }) => rule)).toEqual([
      'alt/generic',
      'caption/template-words',
    ]);
    expect(item?.places[0]?.drafts).toContainEqual({ text: 'The big room', from: 'elsewhere', places: 1 });
    const link = await deskItem(await siteRow(), second?.key ?? '');
    expect(link?.places[0]).toMatchObject({
      branch: 'functional',
      drafts: [
        { text: 'The rooms, Hall', from: 'link target' },
        { text: 'Rooms', from: 'heading' },
      ],
    });
  });

  it.each(['p999999', 'f999999', 'e999999'])('has nothing for %s', async (key) => {
    expect(await deskItem(await siteRow(), key)).toBeNull();
  });

  it('asks the rules about words before they are gathered', async () => {
    const [place] = await placesOf('img/a.png');
    const rulesFor = async (alt: string | null) =>
      (
        await checkWords(held.db, siteId, [{ placementId: place?.id ?? 0, alt, caption: null }], Date.now())
      ).map(({ rule }) => rule);
    expect(await rulesFor(null)).toEqual(['alt/absent']);
    expect(await rulesFor('')).toEqual(['alt/empty-link']);
    expect(await rulesFor('a.png')).toEqual(['alt/file-name']);
    expect(await rulesFor('The rooms of the house')).toEqual([]);
  });
});

describe('proposed texts', () => {
  it('come from the page that a link leads to and from other places, and are each told once', async () => {
    const proposals = await listProposals(await siteRow(), {
      filter: 'all',
      rule: null,
      section: null,
      owner: null,
    });
    expect(
      proposals.map(({ rule, before, after, from, ids, name }) => [
        rule,
        before,
        after,
        from,
        ids.length,
        name,
      ]),
    ).toEqual([
      ['alt/absent', null, 'The rooms, Hall', 'link target', 1, 'a.png'],
      ['alt/generic', 'image', 'The big room', 'elsewhere', 3, 'b.png'],
    ]);
  });

  it('are gone once the edition has words for the place', async () => {
    const [link] = await placesOf('img/a.png');
    await gather([words(link?.id ?? 0, 'The rooms')]);
    const left = await listProposals(await siteRow(), {
      filter: 'must',
      rule: null,
      section: null,
      owner: null,
    });
    expect(left.map(({ name }) => name)).toEqual(['b.png']);
    expect(
      await listProposals(await siteRow(), {
        filter: 'note',
        rule: 'alt/absent',
        section: null,
        owner: null,
      }),
    ).toEqual([]);
    await gather([words(link?.id ?? 0, null)]);
  });
});

describe('words', () => {
  it.each([
    ['of a viewer', VIEWER, [words(1, 'x')], 'NOT_ALLOWED'],
    ['for no place', MAINTAINER, [], 'WORDS_INPUT'],
    ['without end', MAINTAINER, [words(1, 'x'.repeat(2001))], 'WORDS_INPUT'],
    ['for a place that is not there', MAINTAINER, [words(99_999, 'x')], 'PLACES_GONE'],
  ])('%s are refused', async (_name, actor, places, code) => {
    expect(await refused(gatherWords(held.db, actor, siteId, places))).toBe(code);
  });

  it('go into the edition, are written to the letter, are proven, and are taken back to the byte', async () => {
    const before = await snapshot(folder);
    const [link] = await placesOf('img/a.png');
    const [home, x, y, rooms] = await placesOf('img/b.png');
    const outcome = await gather([
      words(link?.id ?? 0, 'Our "rooms" & more'),
      words(home?.id ?? 0, "The hall's front", 'The front <in May>'),
      words(x?.id ?? 0, ''),
      words(y?.id ?? 0, null),
      words(rooms?.id ?? 0, 'The big room'),
    ]);
    // The last two say what the site says: nothing is gathered for them.
    expect(outcome.places).toBe(3);
    const { id, changes: gathered } = await draft();
    expect(gathered.map(({ fromPath, state }) => [fromPath, state])).toEqual([
      ['img/a.png', 'ready'],
      ['img/b.png', 'ready'],
    ]);
    expect((await deskQueue(siteId, ALL)).map(({ isGathered }) => isGathered)).toEqual([false, true]);
    expect(await snapshot(folder)).toEqual(before);
    await publishEdition(held.db, MAINTAINER, id);
    await runJobs(held.db);
    expect(await snapshot(folder)).toEqual({
      ...before,
      'index.html': PAGES['index.html']
        .replace('<IMG ', '<IMG alt="Our &quot;rooms&quot; &amp; more" ')
        .replace("alt='image'", "alt='The hall&#39;s front'")
        .replace('Caption goes here', 'The front &lt;in May&gt;'),
      'more/x.html': PAGES['more/x.html'].replace('alt="image"', 'alt=""'),
    });
    expect(
      (await deskQueue(siteId, { ...ALL, filter: 'must' })).map(({ name, errata }) => [name, errata]),
    ).toEqual([['b.png', 1]]);
    await withdrawEdition(held.db, MAINTAINER, id);
    await runJobs(held.db);
    expect(await snapshot(folder)).toEqual(before);
  });

  it('may stand below the picture, and go with the alt text', async () => {
    const before = await snapshot(folder);
    const [, x] = await placesOf('img/b.png');
    await gather([{ ...words(x?.id ?? 0, 'The poster'), block: '14 June\n7 pm' }]);
    expect((await draft()).edits).toEqual([
      'more/x.html alt The poster',
      'more/x.html block \n<p>14 June<br>7 pm</p>',
    ]);
    const { id } = await draft();
    await publishEdition(held.db, MAINTAINER, id);
    await runJobs(held.db);
    expect((await snapshot(folder))['more/x.html']).toBe(
      PAGES['more/x.html']
        .replace('alt="image"', 'alt="The poster"')
        .replace('</p>', '</p>\n<p>14 June<br>7 pm</p>'),
    );
    await withdrawEdition(held.db, MAINTAINER, id);
    await runJobs(held.db);
    expect(await snapshot(folder)).toEqual(before);
  });

  it('give way to later ones for the same place, and go where they say what the site says', async () => {
    const [home, x, y] = await placesOf('img/b.png');
    await gather([words(home?.id ?? 0, 'One'), words(x?.id ?? 0, 'One')]);
    await gather([words(x?.id ?? 0, 'Two'), words(y?.id ?? 0, 'Two')]);
    expect((await draft()).edits.sort()).toEqual([
      'index.html alt One',
      'more/x.html alt Two',
      'more/y.html alt Two',
    ]);
    expect(
      await gather([words(home?.id ?? 0, null), words(x?.id ?? 0, 'image'), words(y?.id ?? 0, null)]),
    ).toEqual({
      edition: null,
      places: 0,
    });
    expect((await draft()).changes).toEqual([]);
  });

  it('and a swap share a place: the later has the words, the other the picture', async () => {
    const [home] = await placesOf('img/b.png');
    const place = home?.id ?? 0;
    const bytes = await flatPicture(800, 600);
    const intakeId = await receiveIntake(held.db, MAINTAINER, { siteId, fileName: 'New hall.jpg', bytes });
    const swap = async (alt: string | null) => {
      await gatherSwap(held.db, MAINTAINER, {
        ...{ siteId, fromPath: 'img/b.png', intakeId, placementIds: [place], alt, caption: null },
        focal: { x: 0.5, y: 0.5 },
      });
      await runJobs(held.db);
    };
    const alts = async () => (await draft()).edits.filter((text) => text.includes(' alt '));
    await gather([words(place, 'Typed first', 'A caption')]);
    await swap(null);
    expect(await alts()).toEqual(['index.html alt Typed first']);
    await swap('With the swap');
    expect(await alts()).toEqual(['index.html alt With the swap']);
    // The caption stays: the swap brought none.
    expect((await draft()).edits).toContainEqual('index.html caption A caption');
    await gather([words(place, 'Typed last', 'A caption')]);
    expect(await alts()).toEqual(['index.html alt Typed last']);
    const typed = (await draft()).changes.find(({ intakeId: put }) => put === null);
    await dropChange(held.db, MAINTAINER, typed?.id ?? 0);
    await runJobs(held.db);
    // What had given way has its words again.
    expect((await draft()).edits.filter((text) => !text.includes('reference'))).toEqual([
      'index.html alt With the swap',
    ]);
    for (const { id } of (await draft()).changes) await dropChange(held.db, MAINTAINER, id);
  });

  it('say so where their page has changed since, and nothing is gathered', async () => {
    const [home, , y] = await placesOf('img/b.png');
    await writeFile(join(folder, 'more/y.html'), PAGES['more/y.html'].replace('<p>', '<p>Before. '));
    await queueSurvey(held.db, siteId, 'asked');
    await runJobs(held.db);
    const late = [words(home?.id ?? 0, 'In time'), words(y?.id ?? 0, 'Late')];
    expect(await refused(gatherWords(held.db, MAINTAINER, siteId, late))).toBe('PLACES_GONE');
    expect((await draft()).changes).toEqual([]);
  });
});

describe('a button with nothing but an undescribed picture', () => {
  it('is asked for at the desk, and gets no words that the picture has elsewhere', async () => {
    const folder = join(held.folder, 'buttons');
    await writeFiles(folder, {
      'index.html':
        '<html lang="en"><title>Home</title><p><img src="a.png" alt="The bell of the school"></p><p>Print <button><img src="a.png" alt=""></button></p><p><img src="a.png"></p>',
      'a.png': await flatPicture(200, 100, 'png'),
    });
    const id = await connected(held.db, 'Buttons', folder);
    const [site] = await held.db.orm.select().from(sites).where(eq(sites.id, id));
    const queue = await deskQueue(id, { ...ALL, rule: 'alt/empty-button' });
    expect(queue.map(({ name, errata }) => [name, errata])).toMatchObject([['a.png', expect.any(Number)]]);
    const asked = { filter: 'all', rule: null, section: null, owner: null } as const;
    expect((site ? await listProposals(site, asked) : []).map(({ rule, after }) => [rule, after])).toEqual([
      ['alt/absent', 'The bell of the school'],
    ]);
  });
});

describe('places that show no file', () => {
  const PLAN =
    '<html lang="en"><title>Plan</title><h1>Rooms</h1><p><img src="img/a.png" alt="The house from above" usemap="#m"></p><map name="m"><area href="stage.html" coords="50,25,100,75"><area href="yard.html" alt="Yard"></map><p>A bell: <svg role="img" width="9"><path d="M0 0h9"/></svg><img id="large"></p>';

  it('are errata, take words at the desk, and have them written and taken back', async () => {
    const drawn = join(held.folder, 'drawn');
    await writeFiles(drawn, { 'plan.html': PLAN, 'img/a.png': await flatPicture(200, 100, 'png') });
    const drawnId = await connected(held.db, 'Drawn', drawn);
    const [site] = await held.db.orm.select().from(sites).where(eq(sites.id, drawnId));
    const queue = await deskQueue(drawnId, ALL);
    expect(queue.map(({ name, errata }) => [name, errata])).toEqual([
      ['stage.html', 1],
      ['<svg>', 1],
      ['<img>', 1],
    ]);
    const items = await Promise.all(queue.map(async ({ key }) => site && (await deskItem(site, key))));
    expect(
      items.map((item) => item?.places.map(({ place, findings }) => [place.kind, findings[0]?.evidence])),
    ).toEqual([
      [['area', 'The area that leads to “stage.html” has no alt text.']],
      [['drawn', 'The svg says that it is a picture, and has no label.']],
      [['drawn', 'The alt attribute is not there.']],
    ]);
    // The picture of which an area is a part lies there with it.
    expect(items[0]).toMatchObject({
      widthPx: 200,
      part: { left: 0.25, top: 0.25, width: 0.25, height: 0.5 },
    });
    expect(items.slice(1).map((item) => [item?.sha256, item?.part])).toEqual([
      [null, null],
      [null, null],
    ]);
    const ids = items.map((item) => item?.places[0]?.ids[0] ?? 0);
    await gatherWords(
      held.db,
      MAINTAINER,
      drawnId,
      ids.map((id, i) => words(id, ['The stage', 'A "bell"', 'Larger'][i] ?? '')),
    );
    await runJobs(held.db);
    const { rows } = await held.db.pool.query<{ id: number }>(
      `select id from editions where site_id = $1 and state = 'draft'`,
      [drawnId],
    );
    const before = await snapshot(drawn);
    await publishEdition(held.db, MAINTAINER, rows[0]?.id ?? 0);
    await runJobs(held.db);
    expect((await snapshot(drawn))['plan.html']).toBe(
      PLAN.replace('<area href="stage', '<area alt="The stage" href="stage')
        .replace('<svg ', '<svg aria-label="A &quot;bell&quot;" ')
        .replace('<img id', '<img alt="Larger" id'),
    );
    expect(await deskQueue(drawnId, ALL)).toEqual([]);
    await withdrawEdition(held.db, MAINTAINER, rows[0]?.id ?? 0);
    await runJobs(held.db);
    expect(await snapshot(drawn)).toEqual(before);
  });
});
