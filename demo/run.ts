/**
 * Brings the demo up: database schema, site, people, web host, worker and application; ends them together. `bin/demo`
 * has installed what is needed and started PostgreSQL before.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { connect } from '@/server/db/database';
import { settings } from '@/server/settings';
import { DEMO_PASSWORD, PEOPLE } from './people';
import { prepareFestival, prepareSchool, siteFolder } from './prepare';
import { startCrawlHost } from './stand-ins/crawl-host';
import { startWebHost } from './stand-ins/web-host';

// Whoever starts the demo is who signs in to it: their own folders may be connected, the system's never.
process.env['IBIDEM_SITE_ROOTS'] ??= '/';

const VAR = process.env['IBIDEM_VAR'] ?? 'var';
const APP_PORT = Number(process.env['IBIDEM_PORT'] ?? 4180);
const HOST_PORT = Number(process.env['IBIDEM_DEMO_HOST_PORT'] ?? 4181);
const FESTIVAL_PORT = Number(process.env['IBIDEM_DEMO_FESTIVAL_PORT'] ?? HOST_PORT + 1);
const RESTART_AFTER_MS = 1000;

const children = new Set<ChildProcess>();
let isStopping = false;

const say = (text: string) => console.log(text);
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
const db = connect(settings().databaseUrl);
await prepareSchool(db, { home: VAR, liveUrl: `http://127.0.0.1:${HOST_PORT}` });
await prepareFestival(db, `http://127.0.0.1:${FESTIVAL_PORT}/`);
await db.pool.end();
const host = await startWebHost(siteFolder(VAR), HOST_PORT);
const bundle = process.env['IBIDEM_BUNDLE'];
const worker = bundle
  ? [join(bundle, 'src/server/jobs/worker.mjs')]
  : ['--import', `file://${process.cwd()}/node_modules/tsx/dist/esm/index.mjs`, 'src/server/jobs/worker.ts'];
for (const jobs of ['awaited', 'background'])
  keepRunning(`the worker for ${jobs} jobs`, worker, { IBIDEM_JOBS: jobs });
keepRunning('the application', [
  'node_modules/next/dist/bin/next',
  'start',
  '-H',
  '127.0.0.1',
  '-p',
  String(APP_PORT),
  // Longer than a browser, or a proxy before it, keeps a connection: who asks on one that is just being closed is reset.
  '--keepAliveTimeout',
  '75000',
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
