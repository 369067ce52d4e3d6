/** A fetcher before servers that mean no good: it neither hangs, nor fills the memory, nor reaches inside the house. */
import { createServer, type AddressInfo } from 'node:net';
import { deflateSync, gzipSync } from 'node:zlib';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { openFetcher, type FetchLimits } from '@/server/connections/http/fetch-address';
import { isPublicAddress } from '@/server/connections/http/guard-address';
import { problemOf } from '@/server/problem-error';
import { standIn, type Answer, type StandInServer } from '../fixtures/stand-in-server';

let server: StandInServer | undefined;
afterEach(async () => {
  await server?.close();
  server = undefined;
  vi.restoreAllMocks();
});

const QUICK: Partial<FetchLimits> = {
  totalMs: 1500,
  idleMs: 800,
  maxBytes: 200_000,
  backOffMs: 5,
  attempts: 3,
};

async function fetchFrom(answers: Record<string, Answer>, path = '/', limits = QUICK) {
  server = await standIn(answers);
  const fetcher = openFetcher([server.host], limits);
  return fetcher.get(server.origin + path).finally(() => fetcher.close());
}

const codeOf = async (deed: Promise<unknown>) =>
  deed.then(
    () => 'nothing refused',
    (error: unknown) => problemOf(error).code,
  );

describe('isPublicAddress', () => {
  it.each([
    ['203.0.112.9', true],
    ['2a00:1450::1', true],
    ['127.0.0.1', false],
    ['10.1.2.3', false],
    ['172.20.0.1', false],
    ['192.168.1.1', false],
    ['169.254.169.254', false],
    ['100.64.0.1', false],
    ['0.0.0.0', false],
    ['255.255.255.255', false],
    ['224.0.0.1', false],
    ['::1', false],
    ['::', false],
    ['fe80::1', false],
    ['fc00::1', false],
    ['::ffff:127.0.0.1', false],
    ['64:ff9b::7f00:1', false],
    ['2002:7f00:1::', false],
    ['no address', false],
  ])('%s: %s', (address, expected) => {
    expect(isPublicAddress(address)).toBe(expected);
  });
});

describe('an address inside the house', () => {
  it.each([
    'http://127.0.0.1:PORT/',
    'http://2130706433:PORT/',
    'http://0x7f.1:PORT/',
    'http://[::1]:PORT/',
    'http://[::ffff:127.0.0.1]:PORT/',
    'http://localhost:PORT/',
  ])('%s is refused where the host is not allowed, and nothing is asked of it', async (address) => {
    server = await standIn({ '/': '<p>' });
    const fetcher = openFetcher([], QUICK);
    const url = address.replace('PORT', new URL(server.origin).port);
    expect(await codeOf(fetcher.get(url).finally(() => fetcher.close()))).toBe('ADDRESS_PRIVATE');
    expect(server.asked).toEqual([]);
  });

  it.each(['127.0.0.1', 'localhost'])(
    'is refused on another port of %s than the one allowed',
    async (name) => {
      const [allowed, other] = [await standIn({ '/': '<p>' }), await standIn({ '/': '<p>' })];
      const at = ({ origin }: StandInServer) => new URL(origin.replace('127.0.0.1', name));
      const fetcher = openFetcher([at(allowed).host], QUICK);
      expect((await fetcher.get(at(allowed).href)).status).toBe(200);
      expect(await codeOf(fetcher.get(at(other).href))).toBe('ADDRESS_PRIVATE');
      expect(other.asked).toEqual([]);
      await Promise.all([fetcher.close(), allowed.close(), other.close()]);
    },
  );

  it('is refused after a redirect from an allowed host', async () => {
    const inside = await standIn({ '/secret': 'secret' });
    try {
      const to = {
        status: 302,
        headers: { location: `${inside.origin.replace('127.0.0.1', 'localhost')}/secret` },
      };
      expect(await codeOf(fetchFrom({ '/': to }))).toBe('ADDRESS_PRIVATE');
      const literal = { status: 302, headers: { location: `${inside.origin}/secret` } };
      await server?.close();
      expect(await codeOf(fetchFrom({ '/': literal }))).toBe('ADDRESS_PRIVATE');
      expect(inside.asked).toEqual([]);
    } finally {
      await inside.close();
    }
  });
});

/** A page that goes on for as long as anybody reads it. */
function endlessly(status: number): Answer {
  return (_request, response) => {
    response.writeHead(status, { 'content-type': 'text/html' });
    const more = () => {
      while (!response.destroyed && response.write(Buffer.alloc(16_384, 'x')));
      if (!response.destroyed) response.once('drain', more);
    };
    more();
  };
}

/** A page that comes a byte at a time. */
function drops(status: number): Answer {
  return (_request, response) => {
    response.writeHead(status, { 'content-type': 'text/html' });
    const timer = setInterval(() => response.write('x'), 200);
    response.on('close', () => clearInterval(timer));
  };
}

describe('bounds', () => {
  it.each<[string, Answer, string]>([
    ['a page without end', endlessly(200), 'ADDRESS_LARGE'],
    ['a byte now and then', drops(200), 'ADDRESS_SLOW'],
    ['no answer at all', () => undefined, 'ADDRESS_SLOW'],
    [
      'a packed bomb',
      { headers: { 'content-encoding': 'gzip' }, body: gzipSync(Buffer.alloc(50_000_000)) },
      'ADDRESS_LARGE',
    ],
    ['broken packing', { headers: { 'content-encoding': 'gzip' }, body: 'no gzip' }, 'ADDRESS_BROKEN'],
    ['a redirect to itself', { status: 301, headers: { location: '/' } }, 'ADDRESS_REDIRECT'],
    [
      'a redirect to no web address',
      { status: 301, headers: { location: 'file:///etc/passwd' } },
      'ADDRESS_REDIRECT',
    ],
    ['nothing there', { status: 404 }, 'ADDRESS_STATUS'],
    ['nothing there, said without end', endlessly(404), 'ADDRESS_STATUS'],
    ['nothing there, said drop by drop', drops(404), 'ADDRESS_STATUS'],
    ['a closed door', { status: 403 }, 'ADDRESS_STATUS'],
    ['a connection that breaks', (request) => void request.socket.destroy(), 'ADDRESS_UNREACHED'],
  ])('%s', async (_name, answer, code) => {
    expect(await codeOf(fetchFrom({ '/': answer }))).toBe(code);
  });

  it('a chain of redirects without end', async () => {
    server = await standIn((path) => ({
      status: 302,
      headers: { location: `/${Number(path.slice(1)) + 1}` },
    }));
    const fetcher = openFetcher([server.host], { ...QUICK, redirects: 5 });
    expect(await codeOf(fetcher.get(`${server.origin}/1`).finally(() => fetcher.close()))).toBe(
      'ADDRESS_REDIRECT',
    );
    expect(server.asked).toHaveLength(6);
  });
});

describe('waiting for its turn', () => {
  it('is none of the time that an address may take', async () => {
    server = await standIn(() => '<p>');
    const { origin, host } = server;
    const fetcher = openFetcher([host], { ...QUICK, totalMs: 500 });
    fetcher.slowDown(host, 300);
    const answers = await Promise.all([1, 2, 3, 4].map((n) => fetcher.get(`${origin}/${n}`)));
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200, 200]);
    await fetcher.close();
  });
});

describe('what fails', () => {
  it.each([
    ['a line that is no HTTP', 'hello\r\n', 'What it answers is no HTTP'],
    [
      'an answer that breaks off',
      'HTTP/1.1 200 OK\r\nContent-Length: 90\r\n\r\n<p>',
      'closed before the answer was whole',
    ],
    [
      'headers without end',
      `HTTP/1.1 200 OK\r\n${'a: b\r\n'.repeat(20_000)}\r\n`,
      'Its headers are too long',
    ],
    [
      'two lengths',
      'HTTP/1.1 200 OK\r\nContent-Length: 3\r\nContent-Length: 30\r\n\r\n<p>',
      'longer or shorter than it says',
    ],
  ])('is told in words: %s', async (_name, answer, words) => {
    const raw = createServer(
      (socket) => void socket.on('error', () => undefined).on('data', () => socket.end(answer)),
    );
    await new Promise<void>((ready) => raw.listen(0, '127.0.0.1', ready));
    const host = `127.0.0.1:${(raw.address() as AddressInfo).port}`;
    const fetcher = openFetcher([host], { ...QUICK, attempts: 1 });
    const error: unknown = await fetcher.get(`http://${host}/`).catch((cause: unknown) => cause);
    await fetcher.close();
    raw.close();
    expect(problemOf(error).why).toContain(words);
  });
});

describe('insistence', () => {
  it('asks again after a failure that passes, as long as the server says to wait', async () => {
    let times = 0;
    const flaky: Answer = (_request, response) => {
      if (++times < 3) response.writeHead(503, { 'retry-after': '0' }).end();
      else response.writeHead(200, { 'content-type': 'text/html' }).end('<p>at last');
    };
    const { bytes } = await fetchFrom({ '/': flaky });
    expect(Buffer.from(bytes).toString()).toBe('<p>at last');
    expect(times).toBe(3);
  });

  it('does not ask again for what is not there', async () => {
    await codeOf(fetchFrom({ '/': { status: 404 } }));
    expect(server?.asked).toEqual(['/']);
  });

  it('tells type, charset and what the next reading needs, and takes "as it was" for an answer', async () => {
    const page: Answer = (request, response) => {
      const headers = { 'content-type': 'Text/HTML; charset="windows-1252"', etag: '"7"' };
      if (request.headers['if-none-match'] === '"7"') response.writeHead(304, headers).end();
      else response.writeHead(200, { ...headers, 'content-encoding': 'gzip' }).end(gzipSync('<p>é'));
    };
    server = await standIn({ '/': page });
    const fetcher = openFetcher([server.host], QUICK);
    const first = await fetcher.get(`${server.origin}/`);
    expect(first).toMatchObject({ status: 200, type: 'text/html', charset: 'windows-1252', etag: '"7"' });
    expect(Buffer.from(first.bytes).toString()).toBe('<p>é');
    const second = await fetcher.get(`${server.origin}/`, { known: first });
    expect(second).toMatchObject({ status: 304 });
    await fetcher.close();
  });

  it('takes what is said in two lines for one list: its type, and how it is packed', async () => {
    const twice: Answer = (_request, response) => {
      response.setHeader('content-type', ['text/html; charset=windows-1252', 'text/html']);
      response.setHeader('content-encoding', ['gzip', 'deflate']);
      response.end(deflateSync(gzipSync('<p>twice')));
    };
    const { type, charset, bytes } = await fetchFrom({ '/': twice });
    expect([type, charset, Buffer.from(bytes).toString()]).toEqual(['text/html', 'windows-1252', '<p>twice']);
  });
});
