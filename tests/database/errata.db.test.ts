import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { river, stage } from '@demo/site/scenes';
import { problemOf } from '@/server/problem-error';
import { errataOfPicture } from '@/app/_data/errata/errata-of-picture';
import { listErrata, type ErrataQuery } from '@/app/_data/errata/errata';
import { deskQueue } from '@/app/_data/words/text-desk-queue';
import { ruleLevelsOf } from '@/app/_data/errata/rule-levels';
import type { RuleId } from '@/core/errata/rule';
import { setRuleLevel, type RuleLevelInput } from '@/server/work/errata/set-rule-level';
import { checkSite } from '@/server/work/errata/check-site';
import { letStand, standNoLonger } from '@/server/work/errata/let-stand';
import { saveSubject, showSubject } from '@/server/work/pictures/name-subjects';
import { teachPlaceholder } from '@/server/work/pictures/teach-picture';
import { removeSection, saveSection } from '@/server/work/sections/keep-sections';
import { queueSurvey } from '@/server/work/surveys/start-survey';
import { connected } from '../fixtures/connected';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, useDatabase, VIEWER } from '../fixtures/test-database';
import { flatPicture, writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let siteId: number;
let site: string;

const LEVEL: RuleLevelInput = { section: '', rule: 'alt/generic', level: 'note', reason: 'So it is.' };
const ALL: ErrataQuery = { filter: 'all', rule: null, section: null, owner: null, sheet: 1 };
const found = async (asked: Partial<ErrataQuery> = {}) => {
  const { rows } = await listErrata(siteId, { ...ALL, ...asked });
  return rows.flatMap(({ page_path: page, others, rule }) =>
    [page, ...others.map(({ page_path: other }) => other)].map((one) => `${one} ${rule}`),
  );
};
const again = async () => {
  await queueSurvey(held.db, siteId, 'asked');
  await runJobs(held.db);
};
const only = async (rule: RuleId) => {
  const { rows } = await listErrata(siteId, { ...ALL, rule });
  return rows[0] as (typeof rows)[0];
};

beforeAll(async () => {
  site = join(held.folder, 'site');
  await writeFiles(site, {
    'index.html': '<html lang="en"><title>Home</title><a href="x.html"><img src="img/a.png" alt=""></a><img src="img/b.png" alt="image">',
    'club/x.html': '<html lang="en"><title>Club</title><img src="../img/B.png" alt="A boat"><img src="../img/a.png" alt="Two tones">',
    'club/fine.html': '<html lang="en"><title>Fine</title><p>No picture.</p>',
    'img/a.png': await flatPicture(200, 100, 'png'),
    'img/b.png': await flatPicture(400, 300, 'png'),
  }); // oxfmt-ignore
  siteId = await connected(held.db, 'Errata', site);
});

describe('errata of a site', () => {
  it('are found after a survey, and listed by degree, rule and section', async () => {
    expect(await found({ filter: 'must' })).toEqual([
      'index.html alt/empty-link',
      'index.html alt/generic',
      'club/x.html file/wrong-case',
    ]);
    expect(await found({ section: 'club', filter: 'must' })).toEqual(['club/x.html file/wrong-case']);
    expect(await found({ rule: 'alt/generic' })).toEqual(['index.html alt/generic']);
    const { counts, rules } = await listErrata(siteId, ALL);
    expect(counts).toMatchObject({ must: 3, stet: 0 });
    expect(rules.map(({ rule }) => rule).slice(0, 3)).toEqual([
      'alt/empty-link',
      'alt/generic',
      'file/wrong-case',
    ]);
  });

  it('are looked for again only where something has changed', async () => {
    expect(await checkSite(held.db, siteId, Date.now())).toBe(0);
    await writeFiles(site, {
      'club/fine.html': '<html lang="en"><title>Fine</title><img src="../img/b.png">',
    });
    await queueSurvey(held.db, siteId, 'asked');
    await runJobs(held.db);
    expect(await found({ section: 'club', rule: 'alt/absent' })).toEqual(['club/fine.html alt/absent']);
    await writeFiles(site, { 'club/fine.html': '<html lang="en"><title>Fine</title><p>None.</p>' });
    await again();
    expect(await found({ rule: 'alt/absent' })).toEqual([]);
  });

  it('are looked for again on all pages once the rules are other ones, or a style sheet shows another picture', async () => {
    await held.db.pool.query("update sites set rules_key = 'an earlier version' where id = $1", [siteId]);
    expect(await checkSite(held.db, siteId, Date.now())).toBe(3);
    expect(await checkSite(held.db, siteId, Date.now())).toBe(0);
    // The page’s bytes stay as they are; what it shows does not.
    const page =
      '<html lang="en"><title>Fine</title><link rel="stylesheet" href="fine.css"><p class="head">None.</p>';
    await writeFiles(site, { 'club/fine.html': page, 'club/fine.css': '.head { color: red }' });
    await again();
    expect(await found({ section: 'club', rule: 'file/missing' })).toEqual([]);
    await writeFiles(site, { 'club/fine.css': '.head { background: url(none-there.png) }' });
    await again();
    expect(await found({ section: 'club', rule: 'file/missing' })).toEqual(['club/fine.html file/missing']);
    await writeFiles(site, { 'club/fine.css': '.head { color: red }' });
    await again();
    expect(await found({ section: 'club', rule: 'file/missing' })).toEqual([]);
  });

  it('say that words were left of a picture that stood there before', async () => {
    const shown = (file: string, alt: string) =>
      writeFiles(site, {
        'club/fine.html': `<html lang="en"><title>Fine</title><p><img src="../img/${file}" alt="${alt}"></p>`,
      });
    const rule = 'caption/of-old-picture';
    await shown('a.png', 'Two tones');
    await again();
    expect(await found({ rule })).toEqual([]);
    await shown('b.png', 'Two tones');
    await again();
    expect((await only(rule)).evidence).toMatch(
      /^Until survey \d+ “a\.png” stood here; the alt text “Two tones” stayed\.$/,
    );
    // A later survey that moves the place does not make the old words new ones.
    await writeFiles(site, {
      'club/fine.html':
        '<html lang="en"><title>Fine</title><p>Before.</p><p><img src="../img/b.png" alt="Two tones"></p>',
    });
    await again();
    expect(await found({ rule })).toEqual([`club/fine.html ${rule}`]);
    await shown('b.png', 'A boat on the river');
    await again();
    expect(await found({ rule })).toEqual([]);
    await writeFiles(site, { 'club/fine.html': '<html lang="en"><title>Fine</title><p>None.</p>' });
    await again();
  });

  it('say that words were left of a picture that was in the same file before', async () => {
    const rule = 'caption/of-old-picture';
    const draw = async (svg: string, px: number) =>
      sharp(Buffer.from(svg)).resize(px).jpeg().toBuffer() as Promise<Buffer>;
    const page = (alt: string, more = '') =>
      `<html lang="en"><title>Team</title>${more}<p><img src="team.jpg" alt="${alt}"></p>`;
    await writeFiles(site, { 'team.html': page('The team of 2021'), 'team.jpg': await draw(stage(11), 600) });
    await again();
    await writeFiles(site, { 'team.jpg': await draw(stage(11), 400) });
    await again();
    expect(await found({ rule }), 'the same picture, smaller').toEqual([]);
    await writeFiles(site, {
      'team.jpg': await draw(river(4), 600),
      'team.html': page('The team of 2021', '<p>New.</p>'),
    });
    await again();
    expect((await only(rule)).evidence).toMatch(
      /^Until survey \d+ another picture was in “team\.jpg”; the alt text “The team of 2021” stayed\.$/,
    );
    await writeFiles(site, { 'team.html': page('The river in spring') });
    await again();
    expect(await found({ rule }), 'words of today').toEqual([]);
    await writeFiles(site, {
      'team.html': page('The river in spring'),
      'team.jpg': await draw(stage(11), 600),
    });
    await again();
    expect(await found({ rule })).toEqual([`team.html ${rule}`]);
    await writeFiles(site, { 'team.jpg': await draw(river(4), 600) });
    await again();
    expect(await found({ rule }), 'put back').toEqual([]);
    await Promise.all(['team.html', 'team.jpg'].map((name) => rm(join(site, name))));
    await again();
  });

  it('say that a caption names somebody else, once it is known who is on it', async () => {
    const rule = 'caption/names-another';
    await writeFiles(site, {
      'club/fine.html': '<html lang="en"><title>Fine</title><figure><img src="../img/b.png" alt="At the piano"><figcaption>Orla Tansey plays</figcaption></figure>',
    }); // oxfmt-ignore
    await again();
    const named = async (name: string, isShown: boolean) => {
      const subject = { id: null, name, kind: 'person' as const, changedOn: '', changedHow: '' };
      const subjectId = await saveSubject(held.db, MAINTAINER, siteId, subject);
      const { rows } = await held.db.pool.query<{ id: number }>(
        "select picture_id as id from files where site_id = $1 and path = 'img/b.png'",
        [siteId],
      );
      const ids = rows.map(({ id }) => id);
      if (isShown) await showSubject(held.db, MAINTAINER, siteId, { ids, subjectId, isShown });
      await again();
    };
    await named('Wendel Ashby', true);
    expect(await found({ rule })).toEqual([]);
    await named('Orla Tansey', false);
    expect(await found({ rule })).toEqual([`club/fine.html ${rule}`]);
    await writeFiles(site, { 'club/fine.html': '<html lang="en"><title>Fine</title><p>None.</p>' });
    await again();
  });

  it('go by the section of their page as it is sorted now', async () => {
    await held.db.pool.query(
      `insert into rule_levels (site_id, section, rule, level, reason, said_by) values ($1, 'club/x*', 'file/wrong-case', 'off', 'x', 'x')`,
      [siteId],
    );
    expect(await found({ rule: 'file/wrong-case' })).toEqual(['club/x.html file/wrong-case']);
    await saveSection(held.db, MAINTAINER, siteId, { name: 'One page', ownerId: null, pattern: 'club/x*' });
    await runJobs(held.db);
    expect(await found({ rule: 'file/wrong-case' })).toEqual([]);
    await removeSection(held.db, MAINTAINER, siteId, 'club/x*');
    await runJobs(held.db);
    expect(await found({ rule: 'file/wrong-case' })).toEqual(['club/x.html file/wrong-case']);
    await held.db.pool.query('delete from rule_levels where site_id = $1', [siteId]);
  });

  it('are listed for one owner, and for the pages that nobody owns', async () => {
    await held.db.pool.query(
      `insert into "user" (id, name, email, role) values ('ilse', 'Ilse', 'ilse@ferndrake.example', 'owner') on conflict do nothing`,
    );
    await saveSection(held.db, MAINTAINER, siteId, { name: 'Club', ownerId: 'ilse', pattern: 'club' });
    await runJobs(held.db);
    expect(await found({ owner: 'ilse', filter: 'must' })).toEqual(['club/x.html file/wrong-case']);
    expect(await found({ owner: 'none', filter: 'must' })).toEqual([
      'index.html alt/empty-link',
      'index.html alt/generic',
    ]);
    expect(await found({ owner: 'nobody there' })).toEqual([]);
    expect(
      (
        await deskQueue(siteId, { filter: 'all', rule: null, section: null, owner: 'ilse', pictures: [] })
      ).map(({ name }) => name),
    ).toEqual([]);
    await removeSection(held.db, MAINTAINER, siteId, 'club');
    await runJobs(held.db);
  });

  it('follow what a person says of a picture, on all pages that show it', async () => {
    const { rows } = await held.db.pool.query<{ id: number }>(
      "select picture_id as id from files where site_id = $1 and path = 'img/a.png'",
      [siteId],
    );
    const ids = rows.map(({ id }) => id);
    await teachPlaceholder(held.db, MAINTAINER, siteId, { ids, teaching: 'placeholder' });
    const { rows: groups } = await listErrata(siteId, { ...ALL, rule: 'fresh/placeholder' });
    expect(
      groups.map(({ places, pages, ids: errata }) => [places, pages, errata.length]),
      'one act',
    ).toEqual([[2, 2, 2]]);
    const numberOf = async (asked: Partial<ErrataQuery>) =>
      (await listErrata(siteId, { ...ALL, rule: 'fresh/placeholder', ...asked })).groups;
    expect(await numberOf({}), 'one group in two sections').toBe(1);
    expect(await numberOf({ section: 'club' }), 'its part there').toBe(1);
    expect(await numberOf({ sheet: 9 }), 'behind the last sheet').toBe(1);
    expect(await numberOf({ filter: 'stet' })).toBe(0);
    expect(new Set(await found({ rule: 'fresh/placeholder' }))).toEqual(
      new Set(['index.html fresh/placeholder', 'club/x.html fresh/placeholder']),
    );
    await teachPlaceholder(held.db, MAINTAINER, siteId, { ids, teaching: 'not a placeholder' });
    expect(await found({ rule: 'fresh/placeholder' })).toEqual([]);
  });

  it('stand where a person says so, through later surveys, until the evidence is another one', async () => {
    const { id } = await only('alt/generic');
    const stet = { ids: [id], reason: 'It is called that.', until: '' };
    expect(await letStand(held.db, MAINTAINER, siteId, stet)).toBe(1);
    await again();
    expect(await found({ rule: 'alt/generic' })).toEqual([]);
    expect(await found({ filter: 'stet' })).toEqual(['index.html alt/generic']);
    await writeFiles(site, {
      'index.html': '<html lang="en"><title>Home</title><a href="x.html"><img src="img/a.png" alt=""></a><img src="img/b.png" alt="photo">',
    }); // oxfmt-ignore
    await again();
    expect(await found({ rule: 'alt/generic' })).toEqual(['index.html alt/generic']);
    const next = await only('alt/generic');
    await letStand(held.db, MAINTAINER, siteId, { ids: [next.id], reason: 'For now.', until: '2020-01-01' });
    expect((await only('alt/generic')).stet).toMatchObject({ reason: 'For now.', isOver: true });
    expect(await found({ rule: 'alt/generic' })).toEqual(['index.html alt/generic']);
    await standNoLonger(held.db, MAINTAINER, siteId, [next.id]);
  });

  it('have another degree, or none, where that is set for the site or a section', async () => {
    const set = async (section: string, rule: RuleId, level: RuleLevelInput['level']) => {
      await setRuleLevel(held.db, MAINTAINER, siteId, { section, rule, level, reason: 'So it is here.' });
      await runJobs(held.db);
    };
    await set('', 'file/wrong-case', 'note');
    await set('', 'alt/empty-link', 'off');
    expect(await found({ filter: 'must' })).toEqual(['index.html alt/generic']);
    expect(await found({ filter: 'note', rule: 'file/wrong-case' })).toEqual(['club/x.html file/wrong-case']);
    // A section goes before the site; without either the rule has its own.
    await set('club', 'file/wrong-case', 'should');
    expect(await found({ filter: 'should', rule: 'file/wrong-case' })).toEqual([
      'club/x.html file/wrong-case',
    ]);
    const { levels, counts } = await ruleLevelsOf(siteId);
    expect(levels.map(({ section, rule, level }) => `${section} ${rule} ${level}`)).toEqual([
      ' alt/empty-link off',
      ' file/wrong-case note',
      'club file/wrong-case should',
    ]);
    expect(counts.get('file/wrong-case')).toBe(1);
    await set('club', 'file/wrong-case', null);
    await set('', 'file/wrong-case', null);
    expect(await found({ filter: 'must', rule: 'file/wrong-case' })).toEqual(['club/x.html file/wrong-case']);
  });

  it('are told of files as such: in their section, let stand, and gone once a page shows them', async () => {
    const unused = { rule: 'file/unused' } as const;
    await writeFiles(site, { 'club/old.png': await flatPicture(90, 60, 'png'), 'favicon.ico': 'x' });
    await again();
    expect(await found(unused)).toEqual(['club/old.png file/unused']);
    expect(await found({ ...unused, section: 'club' })).toEqual(['club/old.png file/unused']);
    expect(await found({ ...unused, section: '' })).toEqual([]);
    expect(await found({ ...unused, owner: 'none' })).toEqual(['club/old.png file/unused']);
    const row = await only('file/unused');
    expect(row).toMatchObject({ page_id: null, line: null, path: 'club/old.png', degree: 'note' });
    // The record of a picture tells them with what is wrong at its places, the gravest first.
    expect(await errataOfPicture(siteId, 'club/old.png', ['club/old.png', 'img/b.png'])).toMatchObject([
      { rule: 'alt/generic', degree: 'must', count: 1, evidence: 'The alt text is “photo”.' },
      {
        rule: 'file/unused',
        degree: 'note',
        count: 1,
        evidence: expect.stringMatching(/^Neither a page/) as string,
      },
    ]);
    expect(
      (await errataOfPicture(siteId, 'img/b.png', ['club/old.png', 'img/b.png'])).map(({ rule }) => rule),
    ).toEqual(['alt/generic']);
    await saveSection(held.db, MAINTAINER, siteId, { name: 'Club', ownerId: 'ilse', pattern: 'club' });
    await setRuleLevel(held.db, MAINTAINER, siteId, { ...LEVEL, ...unused, section: 'club', level: 'must' });
    await runJobs(held.db);
    expect(await found({ ...unused, filter: 'must', owner: 'ilse' })).toEqual(['club/old.png file/unused']);
    expect((await ruleLevelsOf(siteId, 'club')).counts.get('file/unused')).toBe(1);
    await setRuleLevel(held.db, MAINTAINER, siteId, { ...LEVEL, ...unused, section: 'club', level: null });
    await removeSection(held.db, MAINTAINER, siteId, 'club');
    await runJobs(held.db);
    const { id } = await only('file/unused');
    await letStand(held.db, MAINTAINER, siteId, { ids: [id], reason: 'It is for print', until: '' });
    await again();
    expect(await found(unused)).toEqual([]);
    expect(await found({ ...unused, filter: 'stet' })).toEqual(['club/old.png file/unused']);
    expect((await only('file/unused'))?.id).toBeUndefined();
    await writeFiles(site, {
      'club/fine.html': '<html lang="en"><title>Fine</title><img src="old.png" alt="Two tones">',
    });
    await again();
    expect(await found({ ...unused, filter: 'stet' })).toEqual([]);
  });

  it.each<[string, () => Promise<unknown>]>([
    ['STET_INPUT', () => letStand(held.db, MAINTAINER, siteId, { ids: [1], reason: '', until: '' })],
    [
      'ERRATUM_GONE',
      () => letStand(held.db, MAINTAINER, siteId, { ids: [999_999], reason: 'Because', until: '' }),
    ],
    ['ERRATUM_GONE', () => standNoLonger(held.db, MAINTAINER, siteId, [999_999])],
    ['RULE_LEVEL_INPUT', () => setRuleLevel(held.db, MAINTAINER, siteId, { ...LEVEL, reason: ' ' })],
    [
      'RULE_LEVEL_INPUT',
      () => setRuleLevel(held.db, MAINTAINER, siteId, { ...LEVEL, rule: 'alt/no-such-rule' }),
    ],
    ['NOT_ALLOWED', () => setRuleLevel(held.db, VIEWER, siteId, LEVEL)],
    ['NOT_ALLOWED', () => letStand(held.db, VIEWER, siteId, { ids: [1], reason: 'Because', until: '' })],
  ])('refuses with %s', async (code, run) => {
    const problem = await run().then(() => null, problemOf);
    expect(problem?.code).toBe(code);
  });
});
