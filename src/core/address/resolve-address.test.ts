import { describe, expect, it } from 'vitest';
import {
  addressText,
  encodePath,
  isPictureAddress,
  resolveAddress,
  siteOfFiles,
  urlOfPath,
} from './resolve-address';

const site = siteOfFiles(['www.ferndrake.example', 'ferndrake.example']);
const on = (page: string) => urlOfPath(page, site);

describe('resolveAddress', () => {
  it.each([
    ['beside the page', '../img/a.jpg', 'news/2019/x.html', 'news/img/a.jpg'],
    ['from the root', '/img/a.jpg', 'news/x.html', 'img/a.jpg'],
    ['above the root is the root', '../../../a.jpg', 'x.html', 'a.jpg'],
    ['percent-decoded', 'caf%C3%A9%20bar.jpg', 'x.html', 'café bar.jpg'],
    ['written plainly', 'café bar.jpg', 'x.html', 'café bar.jpg'],
    ['a question mark in a name', 'why%3F.jpg', 'x.html', 'why?.jpg'],
    ['an encoded slash stays', 'a%2Fb.jpg', 'x.html', 'a%2Fb.jpg'],
    ['bytes that are not UTF-8 stay', 'caf%E9.jpg', 'x.html', 'caf%E9.jpg'],
    ['query and fragment go', 'a.jpg?v=3#top', 'x.html', 'a.jpg'],
    ['a backslash is a slash', 'img\\a.jpg', 'x.html', 'img/a.jpg'],
    ['the site by its own name', 'https://www.ferndrake.example/img/a.jpg', 'x.html', 'img/a.jpg'],
    ['the site without a scheme', '//ferndrake.example/a.jpg', 'x.html', 'a.jpg'],
    ['white space around it', ' \n a.jpg\t', 'x.html', 'a.jpg'],
    ['another site', 'https://other.example/a.jpg?v=1#x', 'x.html', 'https://other.example/a.jpg?v=1#x'],
    ['data', 'data:image/gif;base64,R0lG', 'x.html', 'data:image/gif;base64,R0lG'],
    ['nothing', '  ', 'x.html', null],
    ['no address', 'http://[', 'x.html', null],
  ])('%s', (_name, value, page, expected) => {
    expect(addressText(resolveAddress(value, on(page), site))).toBe(expected);
  });
  it.each([
    ['img//a.jpg', 'img/a.jpg'],
    ['/img/b///a.jpg', 'img/b/a.jpg'],
    ['///a.jpg', null],
    ['/.//a.jpg', 'a.jpg'],
  ])('%s is the file without its empty segments, and is told as it was written', (value, path) => {
    const address = resolveAddress(value, on('x.html'), site);
    expect(address.kind === 'site' ? address.path : null).toBe(path);
    if (path) expect(addressText(address)).not.toBe(path);
    const live = { ...site, keepsQueries: true };
    if (path) expect(resolveAddress(value, on('x.html'), live)).toEqual({ kind: 'site', path: addressText(address) }); // oxfmt-ignore
  });

  it('finds a path again that was written as a URL', () => {
    for (const path of ['img/café.jpg', "a'b (c)!*.png", 'x y/100%.jpg', 'a+b,c;d=e&f.gif']) {
      expect(addressText(resolveAddress(`/${encodePath(path)}`, on('x.html'), site))).toBe(path);
    }
  });
});

describe('isPictureAddress', () => {
  it.each([
    [{ kind: 'site', path: 'a.JPEG' } as const, true],
    [{ kind: 'site', path: 'a.html' } as const, false],
    [{ kind: 'elsewhere', url: 'https://x.example/a.webp?w=3' } as const, true],
    [{ kind: 'elsewhere', url: 'https://x.example/?f=a.png' } as const, false],
    [{ kind: 'elsewhere', url: 'a.p%6Eg' } as const, true],
    [{ kind: 'elsewhere', url: 'a.p\nng' } as const, true],
    [{ kind: 'elsewhere', url: 'a.p%2Fng' } as const, false],
    [{ kind: 'elsewhere', url: 'data:image/png;base64,AA' } as const, true],
    [{ kind: 'none' } as const, false],
  ])('%j: %s', (address, expected) => {
    expect(isPictureAddress(address)).toBe(expected);
  });
});
