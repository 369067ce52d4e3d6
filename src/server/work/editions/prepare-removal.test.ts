import { expect, it } from 'vitest';
import { namesFile } from './prepare-removal';

it.each([
  ['in a script', 'café.jpg', Buffer.from('show("img/café.jpg")'), true],
  ['percent-encoded', 'café.jpg', Buffer.from('?f=caf%C3%A9.jpg'), true],
  ['its accent composed otherwise', 'caf\u00e9.jpg', Buffer.from('cafe\u0301.jpg'), true],
  ['in windows-1252', 'café.jpg', Buffer.from('caf\xe9.jpg', 'latin1'), true],
  ['in UTF-16', 'a.jpg', Buffer.from('<!-- a.jpg -->', 'utf16le'), true],
  ['in UTF-16, the other way round', 'a.jpg', Buffer.from('<!-- a.jpg -->', 'utf16le').swap16(), true],
  ['as the end of a longer name', 'a.jpg', Buffer.from('banana.jpg x-a.jpg'), false],
  ['behind a longer name', 'a.jpg', Buffer.from('banana.jpg a.jpg'), true],
  ['nowhere', 'a.jpg', Buffer.from('b.jpg'), false],
])('a name %s', (_name, name, bytes, expected) => {
  expect(namesFile(name)(bytes)).toBe(expected);
});
