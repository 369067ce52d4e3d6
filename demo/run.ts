/**
 * Brings the demo up: database schema, site, people, web host, worker and application; ends them together. `bin/demo`
 * has installed what is needed and started PostgreSQL before.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { access, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { addPerson } from '@/server/accounts/add-person';
import { connect, type Database } from '@/server/db/database';
import { migrateDatabase } from '@/server/db/migrate';
import { settings } from '@/server/settings';
import { connectSite } from '@/server/work/sites/connect-site';
import { importRecords } from '@/server/work/rights/keep-records';
import { saveSection } from '@/server/work/sections/keep-sections';
import { DEMO_PASSWORD, PEOPLE, SECTIONS } from './people';
import { RIGHTS } from './rights';
import { generateSite } from './site/generate';
import { startCrawlHost } from './stand-ins/crawl-host';
import { restoreReadings } from './kept-readings';
import { startWebHost } from './stand-ins/web-host';

// Whoever starts the demo is who signs in to it: their own folders may be connected, the system's never.
process.env['IBIDEM_SITE_ROOTS'] ??= '/';

const VAR = process.env['IBIDEM_VAR'] ?? 'var';
const APP_PORT = Number(process.env['IBIDEM_PORT'] ?? 4180);
const HOST_PORT = Number(process.env['IBIDEM_DEMO_HOST_PORT'] ?? 4181);
const FESTIVAL_PORT = Number(process.env['IBIDEM_DEMO_FESTIVAL_PORT'] ?? HOST_PORT + 1);
const RESTART_AFTER_MS = 1000;
const SITE = join(VAR, 'demo-site');

const children = new Set<ChildProcess>();
let isStopping = false;

const say = (text: string) => console.log(text);
const exists = (path: string) =>
  access(path).then(
    () => true,
    () => false,
  );

async function prepare(): Promise<void> {
  const db = connect(settings().databaseUrl);
  await migrateDatabase(db);
  await restoreReadings(db, process.env['IBIDEM_READINGS']);
  const { rows } = await db.pool.query<{ count: string }>('select count(*) from sites');
  const isFirst = Number(rows[0]?.count) === 0;
  if (isFirst || !(await exists(SITE))) {
    say('Drawing the demo site …');
    await rm(SITE, { recursive: true, force: true });
    await generateSite(SITE, join(VAR, 'demo-answers.json'));
  }
  for (const person of PEOPLE) await addPerson(db, { ...person, password: DEMO_PASSWORD });
  if (isFirst) {
    const actor = { id: 'demo', name: 'Maud Kestle', role: 'maintainer' } as const;
    await connectSite(db, actor, {
      name: 'Ferndrake Community Music School',
      liveUrl: `http://127.0.0.1:${HOST_PORT}`,
      hosts: ['www.ferndrake.example'],
      from: { kind: 'folder', path: SITE },
    });
    await connectSite(db, actor, {
      name: 'Ferndrake River Festival',
      liveUrl: null,
      hosts: [],
      from: { kind: 'http', start: `http://127.0.0.1:${FESTIVAL_PORT}/`, isPrivate: true },
    });
    await giveOwners(db);
    await giveRecords(db);
  }
  await db.pool.end();
}

/** Who answers for what: the demo's two owners. */
async function giveOwners(db: Database): Promise<void> {
  const { rows: sites } = await db.pool.query<{ id: number }>('select id from sites order by id limit 1');
  const siteId = sites[0]?.id;
  if (siteId === undefined) return;
  for (const [pattern, name, email] of SECTIONS) {
    const { rows } = await db.pool.query<{ id: string }>('select id from "user" where email = $1', [email]);
    await saveSection(db, { id: 'demo', name: 'Maud Kestle', role: 'maintainer' }, siteId, {
      pattern,
      name,
      ownerId: rows[0]?.id ?? null,
    });
  }
}

/** What the school has written down of rights. */
async function giveRecords(db: Database): Promise<void> {
  const { rows } = await db.pool.query<{ id: number }>('select id from sites order by id limit 1');
  const [site] = rows;
  if (!site) return;
  const lines = RIGHTS.map((record) => JSON.stringify(record)).join('\n');
  await importRecords(db, { id: 'demo', name: 'Maud Kestle', role: 'maintainer' }, site.id, {
    ...{ name: 'rights.jsonl', bytes: new TextEncoder().encode(lines), isInstead: true },
  });
}

const END_WITH_PARENT = `file://${process.cwd()}/demo/end-with-parent.mjs`;

/** Starts a part of the application, and again whenever it dies by itself. */
function keepRunning(
  name: string,
  args: readonly string[],
  more: Readonly<Record<string, string>> = {},
): void {
  const child = spawn(process.execPath, ['--import', END_WITH_PARENT, ...args], {
    // The channel says nothing: that it closes tells the child that it is alone.
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    env: { ...process.env, ...more },
  });
  children.add(child);
  child.on('exit', (code, signal) => {
    children.delete(child);
    if (isStopping) return;
    say(`${name} ended (${signal ?? code}); starting it again`);
    setTimeout(() => {
      if (!isStopping) keepRunning(name, args, more);
    }, RESTART_AFTER_MS);
  });
}

async function isAnswering(url: string): Promise<boolean> {
  return fetch(url, { redirect: 'manual' }).then(
    (response) => response.status < 500,
    () => false,
  );
}

// The sign-in page of the demo offers its people with one press each.
process.env['IBIDEM_DEMO_PASSWORD'] = DEMO_PASSWORD;
// The festival's host stands first: connecting its site asks it for its start.
const festival = await startCrawlHost(FESTIVAL_PORT);
await prepare();
const host = await startWebHost(SITE, HOST_PORT);
const tsx = `file://${process.cwd()}/node_modules/tsx/dist/esm/index.mjs`;
for (const jobs of ['awaited', 'background'])
  keepRunning(`the worker for ${jobs} jobs`, ['--import', tsx, 'src/server/jobs/worker.ts'], {
    IBIDEM_JOBS: jobs,
  });
keepRunning('the application', [
  'node_modules/next/dist/bin/next',
  'start',
  '-H',
  '127.0.0.1',
  '-p',
  String(APP_PORT),
]);

for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    if (isStopping) return;
    isStopping = true;
    host.close();
    festival.close();
    for (const child of children) child.kill('SIGTERM');
    const wait = setInterval(() => {
      if (children.size > 0) return;
      clearInterval(wait);
      process.exit(0);
    }, 100);
  });
}

const address = `http://127.0.0.1:${APP_PORT}`;
for (let tries = 0; tries < 120 && !(await isAnswering(`${address}/sign-in`)); tries++) {
  await new Promise((resolve) => setTimeout(resolve, 500));
}
say('');
say(`Ibidem is ready:      ${address}`);
say(`The school's site:    http://127.0.0.1:${HOST_PORT}/`);
say(`The festival's site:  http://127.0.0.1:${FESTIVAL_PORT}/ (can only be crawled)`);
say('Sign in as');
for (const { email, role, says } of PEOPLE) say(`  ${email.padEnd(28)} ${role.padEnd(11)} ${says}`);
say(`Password for all: ${DEMO_PASSWORD}`);
say('Ctrl-C stops everything; what you did is kept in var/.');
