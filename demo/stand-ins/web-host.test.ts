import { mkdtemp, rm, symlink } from 'node:fs/promises';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { writeFiles } from '../../tests/fixtures/write-site';
import { startWebHost } from './web-host';

let folder: string;
let server: Server;
let address: string;

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'ibidem-host-'));
  await writeFiles(folder, {
    'site/index.html': 'home',
    'site/a b.html': 'A',
    'site/img/x.PNG': 'x',
    'secret.txt': 'no',
  });
  await symlink(join(folder, 'secret.txt'), join(folder, 'site', 'link.html'));
  server = await startWebHost(join(folder, 'site'), 0);
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(async () => {
  server.close();
  await rm(folder, { recursive: true, force: true });
});

describe('the web host', () => {
  it.each([
    ['/', 200, 'home', 'text/html'],
    ['/index.html?v=1', 200, 'home', 'text/html'],
    ['/a%20b.html', 200, 'A', 'text/html'],
    ['/img/x.PNG', 200, 'x', 'image/png'],
    ['/img', 404, 'Not found', 'text/plain'],
    ['/none.html', 404, 'Not found', 'text/plain'],
    ['/..%2fsecret.txt', 404, 'Not found', 'text/plain'],
    ['/link.html', 404, 'Not found', 'text/plain'],
  ])('answers %s with %d', async (path, status, body, type) => {
    const response = await fetch(address + path);
    expect([response.status, await response.text(), response.headers.get('content-type')]).toEqual([
      status,
      body,
      type,
    ]);
  });

  it('shows at once what is written', async () => {
    await writeFiles(folder, { 'site/index.html': 'changed' });
    expect(await (await fetch(address)).text()).toBe('changed');
  });
});
