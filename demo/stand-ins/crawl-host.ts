/**
 * A host that can only be crawled, simulated: the festival of the town, whose pages another organisation keeps. It has
 * a packed sitemap, a robots.txt, validators, a page that only the sitemap names, a moved page, a broken link, and a
 * calendar that turns for ever.
 */
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { gzipSync } from 'node:zlib';
import sharp from 'sharp';
import { sha256 } from '@/server/hash';
import { river, stage } from '../site/scenes';

interface Reply {
  readonly type: string;
  readonly body: Uint8Array | string;
  readonly status?: number;
  readonly location?: string;
}

const DAYS = ['friday', 'saturday', 'sunday'] as const;
const title = (name: string) => name.replace(/^./, (c) => c.toUpperCase());

const page = (name: string, body: string): Reply => ({
  type: 'text/html; charset=utf-8',
  body: `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>${name} \u00b7 Ferndrake River Festival</title>
<link rel="stylesheet" href="/look.css?v=3"><link rel="icon" href="/pictures/wave.png"></head>
<body><nav><a href="/">Festival</a> <a href="/programme/">Programme</a> <a href="/calendar/2026/06/">Calendar</a> <a href="/hidden/plans.html">Plans</a></nav>
<main><h1>${name}</h1>
${body}
</main></body></html>
`,
});

const figure = (n: number, alt: string, caption: string) =>
  `<figure><img src="/pictures/festival-${n}.jpg?v=2" width="600" height="400" alt="${alt}"><figcaption>${caption}</figcaption></figure>`;

function replies(): Map<string, Reply> {
  const found = new Map<string, Reply>();
  found.set('/', page('River Festival', `${figure(1, 'Lamps over the water', 'The last evening')}<p><a href="/programme/">Three days by the water</a>, <a href="/how-to-come.html">how to come</a>, <a href="/gone.html">last year</a>.</p>`)); // oxfmt-ignore
  found.set(
    '/programme/',
    page(
      'Programme',
      `<ul>${DAYS.map((day) => `<li><a href="${day}">${title(day)}</a></li>`).join('')}</ul>`,
    ),
  );
  DAYS.forEach((day, n) => {
    found.set(`/programme/${day}`, page(title(day), `${figure(n + 2, n === 1 ? '' : `${title(day)} on the small stage`, title(day))}<p>From three until the lamps are lit.</p>`)); // oxfmt-ignore
  });
  found.set('/how-to-come.html', { type: 'text/html', status: 301, location: '/come', body: '' });
  found.set(
    '/come',
    page('How to come', `${figure(5, 'The landing place', 'By boat')}<p>By boat, by bridge, on foot.</p>`),
  );
  found.set(
    '/friends.html',
    page('Friends', `<p>Only the sitemap leads here.</p>${figure(6, '1000x667', 'Caption goes here')}`),
  );
  found.set('/look.css', { type: 'text/css', body: 'body{font:17px Georgia,serif;margin:0}main{max-width:720px;margin:auto}nav{padding:12px;background:#21404f url(/pictures/wave.png) right no-repeat}nav a{color:#fff}' }); // oxfmt-ignore
  found.set('/robots.txt', {
    type: 'text/plain',
    body: 'User-agent: *\nDisallow: /hidden/\nSitemap: /sitemap.xml.gz\n',
  });
  const urls = ['/', '/programme/', '/friends.html'].map((path) => `<url><loc>${path}</loc></url>`).join('');
  found.set('/sitemap.xml.gz', { type: 'application/gzip', body: gzipSync(`<?xml version="1.0"?><urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${urls}</urlset>`) }); // oxfmt-ignore
  return found;
}

async function pictures(): Promise<Map<string, Reply>> {
  const found = new Map<string, Reply>();
  for (let n = 1; n <= 6; n++) {
    const scene = n % 2 === 0 ? stage(1000 + n) : river(1000 + n);
    const body = await sharp(Buffer.from(scene)).resize(1000, 667).jpeg({ quality: 82 }).toBuffer();
    found.set(`/pictures/festival-${n}.jpg`, { type: 'image/jpeg', body });
  }
  const wave = await sharp(Buffer.from(river(77)))
    .resize(64, 64)
    .png()
    .toBuffer();
  return found.set('/pictures/wave.png', { type: 'image/png', body: wave });
}

/** A month of the calendar, which leads to the next, whatever the year. */
function month(path: string): Reply | null {
  const match = /^\/calendar\/(\d{4})\/(\d{2})\/$/.exec(path);
  if (!match) return null;
  const next = new Date(Date.UTC(Number(match[1]), Number(match[2]), 1)).toISOString();
  return page(
    `Calendar ${match[1]}-${match[2]}`,
    `<a href="/calendar/${next.slice(0, 4)}/${next.slice(5, 7)}/">next month</a>`,
  );
}

/** Starts the festival's host on loopback. */
export async function startCrawlHost(port: number): Promise<Server> {
  const all = new Map([...replies(), ...(await pictures())]);
  const answer = (request: IncomingMessage, response: ServerResponse): void => {
    const path = (request.url ?? '/').replace(/[?#].*$/s, '');
    const reply = all.get(path) ?? month(path);
    if (!reply) return void response.writeHead(404, { 'content-type': 'text/plain' }).end('Not found');
    const etag = `"${sha256(Buffer.from(reply.body)).slice(0, 16)}"`;
    if (request.headers['if-none-match'] === etag) return void response.writeHead(304, { etag }).end();
    const location = reply.location ? { location: reply.location } : {};
    response
      .writeHead(reply.status ?? 200, { 'content-type': reply.type, etag, ...location })
      .end(reply.body);
  };
  const server = createServer(answer);
  await new Promise<void>((ready, fail) => {
    server.once('error', fail).listen(port, '127.0.0.1', () => ready());
  });
  return server;
}
