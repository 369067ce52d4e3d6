/** A file whose metadata says otherwise than its record is told, for all files of its picture, until one of the two is put right. */
import { join } from 'node:path';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { facade, river } from '@demo/site/scenes';
import { checkSite } from '@/server/work/errata/check-site';
import { importRecords } from '@/server/work/rights/keep-records';
import { connected } from '../fixtures/connected';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, useDatabase } from '../fixtures/test-database';
import { writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let siteId = 0;

const picture = (svg: string, width: number, copyright: string) => sharp(Buffer.from(svg)).resize(width, Math.round((width * 2) / 3)).withExif({ IFD0: { Copyright: copyright } }).jpeg().toBuffer(); // oxfmt-ignore

beforeAll(async () => {
  const site = join(held.folder, 'site');
  await writeFiles(site, {
    'index.html': '<img src="img/door.jpg" alt="A door"><img src="img/door-300.jpg" alt="A door"><img src="img/river.jpg" alt="A river">',
    'img/door.jpg': await picture(facade(3, 'red'), 900, '© 2019 Brightline'),
    'img/door-300.jpg': await picture(facade(3, 'red'), 300, '© 2019 Brightline'),
    'img/river.jpg': await picture(river(4), 900, '© 2020 Jory Pell'),
  }); // oxfmt-ignore
  siteId = await connected(held.db, 'Files', site);
  await runJobs(held.db);
});

const told = async () => {
  const { rows } = await held.db.pool.query<{ page_path: string; evidence: string }>(
    "select page_path, evidence from errata where site_id = $1 and rule = 'rights/file-says-otherwise' order by page_path",
    [siteId],
  );
  return rows.map(({ page_path: path, evidence }) => `${path}: ${evidence}`);
};

async function record(...rows: readonly object[]) {
  const bytes = new TextEncoder().encode(rows.map((row) => JSON.stringify(row)).join('\n'));
  await importRecords(held.db, MAINTAINER, siteId, { name: 'records.jsonl', bytes, isInstead: true });
  await runJobs(held.db);
}
const HOLDER = { record: 'picture', files: ['img/*'], holder: 'Jory Pell' };

describe('a file and its record', () => {
  it('are silent as long as nothing is recorded', async () => {
    expect(await told()).toEqual([]);
  });

  it('are told where they say different things, and not where they say the same', async () => {
    await record(HOLDER);
    const says = 'Whose it is: the file says “Brightline”, recorded is “Jory Pell”.';
    expect(await told()).toEqual([`img/door-300.jpg: ${says}`, `img/door.jpg: ${says}`]);
  });

  it('are silent again once the record of the picture is put right, for the small copy as well', async () => {
    await record(HOLDER, { record: 'picture', files: ['img/door.jpg'], holder: 'BRIGHTLINE' });
    expect(await told()).toEqual([]);
  });

  it('hinder no check where a record can’t be read', async () => {
    await record(HOLDER);
    await held.db.pool.query(
      `insert into rights_records (site_id, kind, body, said_by) values ($1, 'picture', '{"record":"nothing"}', 'Ada')`,
      [siteId],
    );
    await checkSite(held.db, siteId, Date.now());
    expect(await told()).toEqual([]);
  });
});
