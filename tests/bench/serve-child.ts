/** Serves so many pages from memory, with validators, and tells its address: a process of its own, as a server is. */
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { grownPages, grownSheets } from './pages';

const pages = grownPages(Number(process.argv[2]));
const files = new Map<string, Uint8Array>();
for (const { path, bytes } of [...pages, ...grownSheets()]) files.set(`/${path}`, bytes);
const all = pages.map(({ path }) => `<a href="/${path}">${path}</a>`).join('\n');
files.set('/index.html', Buffer.from(`<!doctype html><title>All</title>${all}`));

const server = createServer((request, response) => {
  const path = decodeURIComponent((request.url ?? '/').replace(/[?#].*$/s, ''));
  const bytes = files.get(path === '/' ? '/index.html' : path);
  if (!bytes) return void response.writeHead(404).end();
  const etag = `"${bytes.length}"`;
  if (request.headers['if-none-match'] === etag) return void response.writeHead(304, { etag }).end();
  const type = path.endsWith('.css') ? 'text/css' : 'text/html';
  response.writeHead(200, { 'content-type': type, 'content-length': bytes.length, etag }).end(bytes);
});
server.listen(0, '127.0.0.1', () => {
  process.stdout.write(`http://127.0.0.1:${(server.address() as AddressInfo).port}/\n`);
});
