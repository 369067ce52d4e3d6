/** The school's web host, simulated: serves the site's folder to browsers, read afresh at every request. */
import { readFile, realpath, stat } from 'node:fs/promises';
import { createServer, type Server } from 'node:http';
import { extname, join, sep } from 'node:path';

const TYPES: Readonly<Record<string, string>> = {
  '.html': 'text/html',
  '.css': 'text/css',
  '.png': 'image/png',
  '.jpg': 'image/jpeg',
  '.gif': 'image/gif',
  '.webp': 'image/webp',
  '.svg': 'image/svg+xml',
};

/** Serves a folder on loopback. */
export async function startWebHost(folder: string, port: number): Promise<Server> {
  const root = await realpath(folder);
  const server = createServer((request, response) => {
    answer(root, decodeURIComponent((request.url ?? '/').replace(/[?#].*$/s, '')))
      .then(({ status, type, body }) => {
        // One answer a connection: who asks again after a while must not meet one that is just being closed as idle.
        response
          .writeHead(status, { 'content-type': type, 'cache-control': 'no-store', connection: 'close' })
          .end(body);
      })
      .catch((error: unknown) => {
        response.writeHead(500, { 'content-type': 'text/plain' }).end(String(error));
      });
  });
  await new Promise<void>((ready, fail) => {
    server.once('error', fail).listen(port, '127.0.0.1', () => ready());
  });
  return server;
}

async function answer(
  root: string,
  path: string,
): Promise<{ status: number; type: string; body: Buffer | string }> {
  const wanted = join(root, path.endsWith('/') ? `${path}index.html` : path);
  const place = await realpath(wanted).catch(() => null);
  if (!place?.startsWith(root + sep) || !(await stat(place)).isFile()) {
    return { status: 404, type: 'text/plain', body: 'Not found' };
  }
  return {
    status: 200,
    type: TYPES[extname(place).toLowerCase()] ?? 'application/octet-stream',
    body: await readFile(place),
  };
}
