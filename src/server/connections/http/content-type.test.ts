import { expect, it } from 'vitest';
import { contentType } from './content-type';

it.each([
  [null, '', null],
  ['', '', null],
  ['text/html', 'text/html', null],
  ['Text/HTML; Charset="ISO-8859-1"', 'text/html', 'ISO-8859-1'],
  ['text/html;;;=;charset=utf-8', 'text/html', 'utf-8'],
  ['text/html; charset=utf-8; charset=latin1', 'text/html', 'utf-8'],
  ['text/html, text/html', 'text/html', null],
  ['text/html; charset=latin1, text/html', 'text/html', 'latin1'],
  ['text/plain; charset=latin1, text/html', 'text/html', null],
  ['text/html, */*', 'text/html', null],
  ['html', '', null],
  ['text/', '', null],
])('%j is %j in %j', (header, type, charset) => {
  expect(contentType(header)).toEqual({ type, charset });
});
