import { describe, expect, it } from 'vitest';
import { linkedPaths } from './link-target';

const link = (href: string) => ({ link: { href, text: '' } });

describe('paths of pages whose titles may be asked for', () => {
  it.each([
    ['a.html', 'news/x.html', ['news/a.html', 'news/a.html/index.html']],
    ['../join/', 'news/x.html', ['join/', 'join/index.html']],
    ['../join', 'news/x.html', ['join', 'join/index.html']],
    ['/caf%C3%A9.html#top', 'index.html', ['café.html', 'café.html/index.html']],
    ['a%ZZ.html', 'index.html', ['a%ZZ.html', 'a%ZZ.html/index.html']],
    ['https://elsewhere.example/a.html', 'index.html', []],
    ['mailto:office@ferndrake.example', 'index.html', []],
    ['http://[', 'index.html', []],
  ])('%s on %s', (href, page, paths) => {
    expect(linkedPaths([link(href)], page)).toEqual(paths);
  });

  it('are told once, and none where nothing is linked', () => {
    expect(linkedPaths([link('a.html'), link('a.html'), { link: null }], 'x.html')).toEqual(['a.html', 'a.html/index.html']);
  });
}); // oxfmt-ignore
