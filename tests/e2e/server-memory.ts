/** How much memory the application's server holds: that of this run, found by its port. */
import { readdir, readFile } from 'node:fs/promises';

/**
 * @returns bytes that are resident
 * @throws Error where no such server runs
 */
export async function memoryOfServer(): Promise<number> {
  const port = `IBIDEM_PORT=${process.env['IBIDEM_PORT'] ?? 4280}`;
  for (const pid of await readdir('/proc')) {
    if (!/^\d+$/u.test(pid)) continue;
    const of = (name: string) => readFile(`/proc/${pid}/${name}`, 'utf8').catch(() => '');
    if (!(await of('cmdline')).startsWith('next-server')) continue;
    if (!(await of('environ')).split('\0').includes(port)) continue;
    return 1024 * Number(/VmRSS:\s+(\d+) kB/u.exec(await of('status'))?.[1]);
  }
  throw new Error('the server was not found');
}
