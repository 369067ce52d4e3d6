import type { AddressInfo } from 'node:net';
import { expect, it } from 'vitest';
import { openMirror } from '@/server/connections/http/open-mirror';
import { startCrawlHost } from './crawl-host';

it('is read whole, and its traps are told', async () => {
  const server = await startCrawlHost(0);
  const origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const mirror = await openMirror(`${origin}/`, { allowPrivate: true });
  const { files, skipped, summary } = await mirror.list();
  const pages = files.filter(({ role, path }) => role === 'page' && !path.startsWith('calendar'));
  expect(pages.map(({ path }) => path).sort()).toEqual([
    'come',
    'friends.html',
    'index.html',
    'programme/friday',
    'programme/index.html',
    'programme/saturday',
    'programme/sunday',
  ]);
  const said = skipped.map(({ reason }) => reason).join('\n');
  expect(said).toContain('robots.txt');
  expect(said).toContain('calendar');
  expect(said).toContain('404');
  expect(summary.pages).toBeLessThan(80);
  await mirror.close();
  server.close();
});
