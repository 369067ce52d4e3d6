/** What must hold whatever dies, fails or happens at the same time: nothing half, nothing stuck, nothing proven that is not there. */
import { lstat, mkdir, readFile, rm, symlink, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { beforeEach, describe, expect, it } from 'vitest';
import { freeOrphans } from '@/server/jobs/free-orphans';
import { reviveWork } from '@/server/jobs/revive-work';
import { problemOf } from '@/server/problem-error';
import { settings } from '@/server/settings';
import { gatherSwap } from '@/server/work/editions/gather-swap';
import { publishEdition, withdrawEdition } from '@/server/work/editions/publish-edition';
import { settleByHand, tryUndoingAgain } from '@/server/work/editions/settle-publication';
import { receiveIntake } from '@/server/work/intake/receive-intake';
import { saveSlots } from '@/server/work/proof/save-slots';
import { startSurvey, stopSurvey } from '@/server/work/surveys/start-survey';
import { connected } from '../../fixtures/connected';
import { runJobs, runJobsThatMayFail, runJobsOfEndingWorker } from '../../fixtures/run-jobs';
import { MAINTAINER, useDatabase, VIEWER } from '../../fixtures/test-database';
import { flatPicture, snapshot, writeFiles } from '../../fixtures/write-site';

const held = useDatabase();
let folder: string;
let siteId: number;
let intakeId: number;
let round = 0;

beforeEach(async () => {
  folder = join(held.folder, `site-${++round}`);
  const page = '<!doctype html><p><img src="img/old.png" width=30 height=20 alt="x"></p>\r\n';
  await writeFiles(folder, {
    ...{ 'a.html': page, 'b.html': page, 'c.html': page },
    'img/old.png': await flatPicture(60, 40, 'png'),
  });
  siteId = await connected(held.db, `Site ${round}`, folder);
  const bytes = await flatPicture(400, 300);
  intakeId = await receiveIntake(held.db, MAINTAINER, { siteId, fileName: 'river.jpg', bytes });
});

async function places(pages: readonly string[] = ['a.html', 'b.html', 'c.html']): Promise<number[]> {
  const { rows } = await held.db.pool.query<{ id: string }>(
    `select id from placements where site_id = $1 and page_path = any($2::text[]) and until_survey is null order by id`,
    [siteId, pages],
  );
  return rows.map(({ id }) => Number(id));
}

const swap = async (placementIds: readonly number[], fromPath = 'img/old.png') =>
  gatherSwap(held.db, MAINTAINER, {
    ...{ siteId, fromPath, intakeId, placementIds, alt: null, caption: null },
    focal: { x: 0.5, y: 0.5 },
  });

async function editionId(number: number): Promise<number> {
  const { rows } = await held.db.pool.query<{ id: number }>(
    'select id from editions where site_id = $1 and number = $2',
    [siteId, number],
  );
  return rows[0]?.id ?? 0;
}

async function state(number: number) {
  const { rows } = await held.db.pool.query<{
    edition: string;
    publication: string;
    proven: boolean | null;
    code: string | null;
  }>(
    `select e.state as edition, p.state as publication, p.proven, p.problem ->> 'code' as code
     from editions e join publications p on p.edition_id = e.id where e.site_id = $1 and e.number = $2
     order by p.id desc limit 1`,
    [siteId, number],
  );
  return rows[0];
}

const codeOf = (deed: Promise<unknown>) =>
  deed.then(
    () => 'nothing refused',
    (error: unknown) => problemOf(error).code,
  );

/** Makes writing a file fail, as a full disk would, until it is taken away. */
const block = (path: string) => mkdir(join(folder, `${path}.ibidem-new`), { recursive: true });
const unblock = (path: string) => rm(join(folder, `${path}.ibidem-new`), { recursive: true });

async function surveyStates(): Promise<string[]> {
  const { rows } = await held.db.pool.query<{ state: string }>(
    'select state from surveys where site_id = $1 order by number',
    [siteId],
  );
  return rows.map(({ state: now }) => now);
}

const DOOR = 4711;

/** Lets something happen to the site just after a page was written and before the journal says so. */
async function whenWritten(path: string, deed: () => Promise<void>): Promise<void> {
  const { pool } = held.db;
  await pool.query(`create or replace function wait_at_door() returns trigger language plpgsql as $$
    begin if new.path = '${path}' and new.state = 'done' then perform pg_advisory_xact_lock(${DOOR}); end if; return new; end $$;
    drop trigger if exists door on steps; create trigger door before update on steps for each row execute function wait_at_door()`);
  const keeper = await pool.connect();
  await keeper.query('select pg_advisory_lock($1)', [DOOR]);
  const before = await readFile(join(folder, path), 'utf8');
  const running = runJobsThatMayFail(held.db);
  for (let tries = 0; (await readFile(join(folder, path), 'utf8')) === before; tries++) {
    if (tries > 2000) throw new Error(`${path} was not written`);
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
  await deed();
  await keeper.query('select pg_advisory_unlock($1)', [DOOR]);
  keeper.release();
  await running;
  await pool.query('drop trigger door on steps');
}

/** An edition that failed at b.html while it was published, and could not be undone at a.html. */
async function halfUndone(): Promise<{ number: number; before: Record<string, string> }> {
  const number = await swap(await places());
  await runJobs(held.db);
  const before = await snapshot(folder);
  await block('b.html');
  await publishEdition(held.db, MAINTAINER, await editionId(number));
  await whenWritten('a.html', () => block('a.html').then(() => undefined));
  return { number, before };
}

describe('a publication that fails in the middle', () => {
  it('and can’t be undone says so, and goes on being undone until all is as before', async () => {
    const { number, before } = await halfUndone();
    expect(await state(number)).toMatchObject({
      edition: 'publishing',
      publication: 'undoing',
      code: 'SYSTEM_EISDIR',
    });
    await unblock('b.html');
    await tryUndoingAgain(held.db, MAINTAINER, await editionId(number));
    await runJobsThatMayFail(held.db);
    expect(await state(number)).toMatchObject({ edition: 'publishing', publication: 'undoing' });
    await unblock('a.html');
    expect(await codeOf(tryUndoingAgain(held.db, VIEWER, await editionId(number)))).toBe('NOT_ALLOWED');
    await tryUndoingAgain(held.db, MAINTAINER, await editionId(number));
    await runJobs(held.db);
    expect(await state(number)).toMatchObject({ edition: 'draft', publication: 'rolled back' });
    expect(await snapshot(folder)).toEqual(before);
  });

  it('can be settled by hand, and names what was left', async () => {
    const { number } = await halfUndone();
    expect(await codeOf(settleByHand(held.db, VIEWER, await editionId(number)))).toBe('NOT_ALLOWED');
    await settleByHand(held.db, MAINTAINER, await editionId(number));
    expect(await state(number)).toMatchObject({ edition: 'draft', publication: 'rolled back' });
    const { rows } = await held.db.pool.query<{ path: string }>(
      `select s.path from steps s join publications p on p.id = s.publication_id
       where p.edition_id = $1 and s.problem ->> 'code' = 'SETTLED_BY_HAND' order by s.path`,
      [await editionId(number)],
    );
    expect(rows.map(({ path }) => path)).toContain('a.html');
    expect(await codeOf(settleByHand(held.db, MAINTAINER, await editionId(number)))).toBe(
      'NOTHING_TO_SETTLE',
    );
  });
});

describe('work whose job is gone', () => {
  it('gets one: publications, changes and surveys', async () => {
    const { pool } = held.db;
    const number = await swap(await places());
    await pool.query('delete from graphile_worker._private_jobs');
    expect(await reviveWork(held.db)).toBeGreaterThan(0);
    await runJobs(held.db);
    await publishEdition(held.db, MAINTAINER, await editionId(number));
    await pool.query('update graphile_worker._private_jobs set attempts = max_attempts');
    await runJobs(held.db);
    expect(await state(number)).toMatchObject({ edition: 'publishing' });
    expect(await reviveWork(held.db)).toBe(1);
    await runJobs(held.db);
    expect(await state(number)).toMatchObject({ edition: 'published', publication: 'done', proven: true });
    await startSurvey(held.db, MAINTAINER, siteId);
    await pool.query('delete from graphile_worker._private_jobs');
    await startSurvey(held.db, MAINTAINER, siteId);
    expect(await reviveWork(held.db)).toBe(1);
    await runJobs(held.db);
    const { rows } = await pool.query('select 1 from surveys where site_id = $1 and state <> $2', [
      siteId,
      'done',
    ]);
    expect(rows).toEqual([]);
  });

  it('is stopped at once where it is a survey', async () => {
    await startSurvey(held.db, MAINTAINER, siteId);
    await held.db.pool.query('delete from graphile_worker._private_jobs');
    await held.db.pool.query(
      `update surveys set state = 'running' where site_id = $1 and state = 'waiting'`,
      [siteId],
    );
    await stopSurvey(held.db, MAINTAINER, siteId, 2);
    const { rows } = await held.db.pool.query<{ state: string }>(
      'select state from surveys where site_id = $1 and number = 2',
      [siteId],
    );
    expect(rows[0]?.state).toBe('stopped');
  });

  it('does not lose an attempt because its worker died', async () => {
    await startSurvey(held.db, MAINTAINER, siteId);
    await held.db.pool.query(
      `update graphile_worker._private_jobs set locked_by = 'gone', locked_at = now(), attempts = 2`,
    );
    expect(await freeOrphans(held.db, [])).toBe(1);
    const { rows } = await held.db.pool.query<{ attempts: number }>(
      'select attempts from graphile_worker.jobs',
    );
    expect(rows[0]?.attempts).toBe(1);
    await runJobs(held.db);
  });
});

describe('a withdrawal', () => {
  async function published(): Promise<number> {
    const number = await swap(await places());
    await runJobs(held.db);
    await publishEdition(held.db, MAINTAINER, await editionId(number));
    await runJobs(held.db);
    return number;
  }

  it('leaves a picture that other pages use by now, and says so', async () => {
    const number = await published();
    const added = /img\/river[^"]*/.exec(await readFile(join(folder, 'a.html'), 'utf8'))?.[0] ?? '';
    await writeFile(join(folder, 'd.html'), `<!doctype html><img src="${added}" alt="">`);
    await startSurvey(held.db, MAINTAINER, siteId);
    await runJobs(held.db);
    await withdrawEdition(held.db, MAINTAINER, await editionId(number));
    await runJobs(held.db);
    expect(await state(number)).toMatchObject({ edition: 'withdrawn', publication: 'done', proven: true });
    const after = await snapshot(folder);
    expect(Object.keys(after)).toContain(added);
    expect(after['a.html']).toContain('img/old.png');
    const { rows } = await held.db.pool.query<{ why: string }>(
      `select s.problem ->> 'why' as why from steps s join publications p on p.id = s.publication_id
       where p.edition_id = $1 and s.path = $2 and s.state = 'left alone'`,
      [await editionId(number), added],
    );
    expect(rows[0]?.why).toBe('d.html uses it by now.');
  });

  it('of stored bytes that are damaged is told, and never called proven', async () => {
    const number = await published();
    const { rows } = await held.db.pool.query<{ was: string }>(
      `select s.was_sha as was from steps s join publications p on p.id = s.publication_id
       where p.edition_id = $1 and s.path = 'a.html'`,
      [await editionId(number)],
    );
    const sha = rows[0]?.was ?? '';
    await writeFile(join(settings().storeFolder, sha.slice(0, 2), sha), 'half of wh');
    await withdrawEdition(held.db, MAINTAINER, await editionId(number));
    await runJobs(held.db);
    expect(await state(number)).toMatchObject({ edition: 'withdrawn', proven: false });
    const { rows: told } = await held.db.pool.query<{ code: string }>(
      `select distinct s.problem ->> 'code' as code from steps s join publications p on p.id = s.publication_id
       where p.edition_id = $1 and s.action = 'write source' and s.state = 'left alone'`,
      [await editionId(number)],
    );
    expect(told.map(({ code }) => code)).toContain('STORE_TORN');
  });
});

describe('two people at once', () => {
  it('who swap the same places make one change of them', async () => {
    const ids = await places();
    const numbers = await Promise.all([swap(ids), swap(ids), swap(ids), swap(ids)]);
    expect(new Set(numbers).size).toBe(1);
    await runJobs(held.db);
    const { rows } = await held.db.pool.query<{ state: string }>(
      'select c.state from changes c join editions e on e.id = c.edition_id where e.site_id = $1',
      [siteId],
    );
    expect(rows).toEqual([{ state: 'ready' }]);
  });

  it('one gathering, the other publishing: nothing lands unwritten in what is published', async () => {
    const [one, ...others] = await places();
    const number = await swap([one ?? 0]);
    await runJobs(held.db);
    await Promise.all([
      publishEdition(held.db, MAINTAINER, await editionId(number)).catch(() => undefined),
      swap(others),
    ]);
    await runJobs(held.db);
    const { rows } = await held.db.pool.query<{ count: string }>(
      `select count(*) from edits t join changes c on c.id = t.change_id join editions e on e.id = c.edition_id
       where e.site_id = $1 and e.state = 'published' and not exists (
         select 1 from steps s join publications p on p.id = s.publication_id
         where p.edition_id = e.id and s.path = t.source_path and s.state = 'done')`,
      [siteId],
    );
    expect(rows[0]?.count).toBe('0');
  });
});

describe('what is asked for', () => {
  it('must be places of that site that show that picture', async () => {
    const ids = await places();
    const other = await connected(held.db, `Other ${round}`, folder);
    expect(await codeOf(swap(ids, 'img/other.png'))).toBe('PLACES_GONE');
    expect(await codeOf(swap([...ids, 999_999]))).toBe('PLACES_GONE');
    const { rows } = await held.db.pool.query<{ id: string }>(
      'select id from placements where site_id = $1 limit 1',
      [other],
    );
    expect(await codeOf(swap([Number(rows[0]?.id)]))).toBe('PLACES_GONE');
  });

  it('and who only looks measures nothing', async () => {
    const deed = saveSlots(held.db, VIEWER, { siteId, pageId: 1 }, { width: 'desktop', places: [] });
    expect(await codeOf(deed)).toBe('NOT_ALLOWED');
  });
});

describe('a file under two addresses', () => {
  it('is written once, proven at both, and taken back', async () => {
    await symlink('a.html', join(folder, 'alias.html'));
    await startSurvey(held.db, MAINTAINER, siteId);
    await runJobs(held.db);
    const before = await snapshot(folder);
    const number = await swap(await places(['a.html', 'alias.html', 'b.html', 'c.html']));
    await runJobs(held.db);
    await publishEdition(held.db, MAINTAINER, await editionId(number));
    await runJobs(held.db);
    expect(await state(number)).toMatchObject({ edition: 'published', publication: 'done', proven: true });
    expect(await readFile(join(folder, 'alias.html'), 'utf8')).toContain('river-60x40.jpg');
    expect((await lstat(join(folder, 'alias.html'))).isSymbolicLink()).toBe(true);
    await withdrawEdition(held.db, MAINTAINER, await editionId(number));
    await runJobs(held.db);
    expect(await state(number)).toMatchObject({ edition: 'withdrawn', publication: 'done', proven: true });
    expect(await snapshot(folder)).toEqual(before);
  });
});

describe('a worker that is to end', () => {
  it('leaves off between two pieces of a survey and of a publication, and the next goes on', async () => {
    await startSurvey(held.db, MAINTAINER, siteId);
    await runJobsOfEndingWorker(held.db);
    expect(await surveyStates()).toEqual(['done', 'waiting']);
    await runJobs(held.db);
    expect(await surveyStates()).toEqual(['done', 'done']);
    const number = await swap(await places());
    await runJobs(held.db);
    await publishEdition(held.db, MAINTAINER, await editionId(number));
    const before = await snapshot(folder);
    await runJobsOfEndingWorker(held.db);
    expect(await snapshot(folder)).toEqual(before);
    expect(await state(number)).toMatchObject({ edition: 'publishing', publication: 'running' });
    await runJobs(held.db);
    expect(await state(number)).toMatchObject({ edition: 'published', publication: 'done', proven: true });
  });
});

describe('what a write left unfinished', () => {
  it('is taken away by the next survey, which says so', async () => {
    await writeFile(join(folder, 'gone.html.ibidem-new'), 'half');
    await startSurvey(held.db, MAINTAINER, siteId);
    await runJobs(held.db);
    expect(Object.keys(await snapshot(folder))).not.toContain('gone.html.ibidem-new');
    const { rows } = await held.db.pool.query<{ counts: { skipped: { path: string }[] } }>(
      'select counts from surveys where site_id = $1 order by number desc limit 1',
      [siteId],
    );
    expect(rows[0]?.counts.skipped.map(({ path }) => path)).toEqual(['gone.html.ibidem-new']);
  });
});
