/** What the demo begins with: the schema, the school's site, its people, and what they have written down. */
import { access, rm } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import type { Actor } from '@/server/accounts/actor';
import { addPerson } from '@/server/accounts/add-person';
import type { Database } from '@/server/db/database';
import { migrateDatabase } from '@/server/db/migrate';
import { connectSite } from '@/server/work/sites/connect-site';
import { importRecords } from '@/server/work/rights/keep-records';
import { saveSection } from '@/server/work/sections/keep-sections';
import { DEMO_PASSWORD, PEOPLE, SECTIONS } from './people';
import { RIGHTS } from './rights';
import { generateSite } from './site/generate';

const MAUD: Actor = { id: 'demo', name: 'Maud Kestle', role: 'maintainer' };
const SCHOOL = 'Ferndrake Community Music School';
const FESTIVAL = 'Ferndrake River Festival';

/** Where a demo lies, and where its site is seen. */
interface Where {
  /** Folder of its own (`IBIDEM_VAR`). */
  readonly home: string;
  /** Of the school's web host, without a slash at the end. */
  readonly liveUrl: string;
}

/** Folder of the school's site. */
export const siteFolder = (home: string): string => resolve(home, 'demo-site');

/** Makes the demo ready, or ready again where it was moved: what was done in it stays. */
export async function prepareSchool(db: Database, { home, liveUrl }: Where): Promise<void> {
  await migrateDatabase(db);
  const folder = siteFolder(home);
  const known = await siteId(db, SCHOOL);
  if (known === null || !(await isThere(folder))) {
    console.log('Drawing the demo site …');
    await rm(folder, { recursive: true, force: true });
    await generateSite(folder, join(home, 'demo-answers.json'));
  }
  for (const person of PEOPLE) await addPerson(db, { ...person, password: DEMO_PASSWORD });
  if (known !== null) {
    // Only one that was moved: elsewhere its settings are what somebody made of them.
    await db.pool.query(
      `update sites set connection = $2, live_url = $3 where id = $1 and connection ->> 'folder' <> $4`,
      [known, { kind: 'folder', folder }, liveUrl, folder],
    );
    return;
  }
  await connectSite(db, MAUD, {
    ...{ name: SCHOOL, liveUrl, hosts: ['www.ferndrake.example'], from: { kind: 'folder', path: folder } },
  });
  const made = await siteId(db, SCHOOL);
  if (made === null) throw new Error('the school was connected, and is not there');
  await giveOwners(db, made);
  await giveRecords(db, made);
}

/** The second site, which can only be crawled. @param start its address, which must answer */
export async function prepareFestival(db: Database, start: string): Promise<void> {
  if ((await siteId(db, FESTIVAL)) !== null) return;
  const from = { kind: 'http', start, isPrivate: true } as const;
  await connectSite(db, MAUD, { name: FESTIVAL, liveUrl: null, hosts: [], from });
}

async function siteId({ pool }: Database, name: string): Promise<number | null> {
  const { rows } = await pool.query<{ id: number }>('select id from sites where name = $1', [name]);
  return rows[0]?.id ?? null;
}

const isThere = (path: string): Promise<boolean> =>
  access(path).then(
    () => true,
    () => false,
  );

/** Who answers for what: the demo's two owners. */
async function giveOwners(db: Database, siteId: number): Promise<void> {
  for (const [pattern, name, email] of SECTIONS) {
    const { rows } = await db.pool.query<{ id: string }>('select id from "user" where email = $1', [email]);
    await saveSection(db, MAUD, siteId, { pattern, name, ownerId: rows[0]?.id ?? null });
  }
}

/** What the school has written down of rights. */
async function giveRecords(db: Database, siteId: number): Promise<void> {
  const lines = RIGHTS.map((record) => JSON.stringify(record)).join('\n');
  const bytes = new TextEncoder().encode(lines);
  await importRecords(db, MAUD, siteId, { name: 'rights.jsonl', bytes, isInstead: true });
}
