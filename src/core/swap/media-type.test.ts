import { describe, expect, it } from 'vitest';
import { decodeSource } from '../source/decode-source';
import { clipOfFormat } from './clip';
import { mediaTypeEdit } from './media-type';

/** The page with the edit made at the clip whose address is `old.webm`. */
function edited(page: string, path: string, type: string | null, format = 'mp4'): string {
  const source = decodeSource(path, new TextEncoder().encode(page));
  const clip = clipOfFormat(format);
  if (!clip) throw new Error('no clip');
  const kind = page.includes('<audio') ? 'audio' : 'video';
  const edit = mediaTypeEdit(source, { kind, type, start: source.text.indexOf('old.webm') }, clip);
  if (!edit) return page;
  expect(source.text.slice(edit.start, edit.end)).toBe(edit.was);
  return source.text.slice(0, edit.start) + edit.becomes + source.text.slice(edit.end);
}

describe('the type beside a clip’s address', () => {
  it.each([
    [
      'of a source',
      '<video><source src="a.webm" type="video/webm"><source src="old.webm" type="video/webm"></video>',
      'video/webm',
      '<video><source src="a.webm" type="video/webm"><source src="old.webm" type="video/mp4"></video>',
    ],
    [
      'before it, without quotes',
      '<p><video><source type=video/quicktime src=old.webm></video>',
      'video/quicktime',
      '<p><video><source type=video/mp4 src=old.webm></video>',
    ],
    [
      'with codecs and references',
      `<video><source src='old.webm' type='video/webm; codecs=&quot;vp9&quot;'></video>`,
      'video/webm; codecs="vp9"',
      `<video><source src='old.webm' type='video/mp4'></video>`,
    ],
    ['that holds', '<video><source src="old.webm" type="video/mp4"></video>', 'video/mp4', null],
    ['that is not there', '<video src="old.webm"></video>', null, null],
  ])('%s', (_what, page, type, wanted) => {
    expect(edited(page, 'index.html', type)).toBe(wanted ?? page);
  });

  it('of XML, in its own case', () => {
    const page = (type: string) =>
      `<?xml version="1.0"?><html xmlns="http://www.w3.org/1999/xhtml"><body><audio><source src="old.webm" type="${type}"/></audio></body></html>`;
    expect(edited(page('audio/ogg'), 'index.xhtml', 'audio/ogg', 'mp3')).toBe(page('audio/mpeg'));
  });
});
