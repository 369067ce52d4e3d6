import { expect, it } from 'vitest';
import { dayOf, type Day } from '../dating/day';
import { originClues, type OriginFacts } from './origin-clues';

const NOTHING: OriginFacts = {
  ...{
    name: 'hall.jpg',
    widthPx: 900,
    heightPx: 600,
    embedded: {},
    firstSeen: null,
    fetched: null,
    loaded: null,
  },
  ...{ alike: [], neighbours: [], unrecordedNeighbours: 0 },
};

it.each<[string, Partial<OriginFacts>, string, string]>([
  ['nothing', {}, 'nobody yet', 'Nothing about the file'],
  ['a creator in the file', { embedded: { creator: 'Ann Lee' } }, 'a known holder', 'The file names Ann Lee.'],
  ['a camera', { embedded: { camera: 'Box 3', taken: '2024:05:01 10:00:00' } }, 'the organisation', 'Box 3, 2024-05-01'],
  ['a camera’s name', { name: 'DSC_0412.JPG' }, 'the organisation', 'as a camera'],
  ['a telephone’s name', { name: '20240501_101500.jpg' }, 'the organisation', 'as a camera'],
  ['a messenger’s name', { name: 'IMG-20240501-WA0003.jpg' }, 'the organisation', 'as messengers'],
  ['a screen', { name: 'Screenshot 2024-05-01.png' }, 'somebody’s page', 'a picture of a screen'],
  ['saved from a page', { name: 'download (3).jpg' }, 'somebody’s page', 'as browsers name'],
  ['a string of signs', { name: '9f86d081884c7d659a2f-n.jpg' }, 'somebody’s page', 'a string of signs'],
  ['a catalogue’s number', { name: 'violin-and-bow-104533211.jpg' }, 'a picture agency', 'a long number'],
  ['words of the trade', { name: 'violin-preview.jpg' }, 'a picture agency', 'words of the picture trade'],
  ['a preview’s size', { widthPx: 612, heightPx: 408 }, 'a picture agency', '612 pixels'],
  ['a share picture', { widthPx: 1200, heightPx: 630 }, 'somebody’s page', '1200 × 630'],
  ['a twin that is recorded', { alike: [{ path: 'img/a.jpg', holder: 'Brightline' }] }, 'a known holder', 'recorded as Brightline’s'],
  ['its folder', { neighbours: [{ holder: 'Tom Hay', count: 5 }], unrecordedNeighbours: 2 }, 'a known holder', '5 of 7'],
  ['where it was fetched', { fetched: { address: 'https://pictures.example/a/7.jpg', on: '2026-03-04' } }, 'somebody’s page', 'from pictures.example on 2026-03-04'],
  ['a host that has one of its name', { loaded: { host: 'cdn.example', page: 'news.html' } }, 'somebody’s page', 'news.html loads a picture of the same name from cdn.example'],
  ['when it came', { firstSeen: { day: dayOf(2024, 5, 1) as Day, page: 'news.html' } }, 'nobody yet', '2024-05-01, on news.html'],
])('%s', (_, facts, points, says) => {
  const [first] = originClues({ ...NOTHING, ...facts });
  expect(first?.points).toBe(points);
  expect(first?.says).toContain(says);
  expect(first?.ask).not.toBe('');
}); // oxfmt-ignore

it.each<[string, Partial<OriginFacts>]>([
  ['a square', { widthPx: 600, heightPx: 600 }],
  ['a size with a camera’s words', { widthPx: 612, heightPx: 408, embedded: { camera: 'Box' } }],
  ['a year and a short number', { name: 'concert-2024-03.jpg' }],
  ['a folder of many owners', { neighbours: [{ holder: 'A', count: 3 }, { holder: 'B', count: 3 }] }],
])('%s points to no agency and to nobody', (_, facts) => {
  expect(originClues({ ...NOTHING, ...facts }).map(({ points }) => points)).not.toContain('a picture agency');
  expect(originClues({ ...NOTHING, ...facts }).map(({ points }) => points)).not.toContain('a known holder');
}); // oxfmt-ignore

it('the strongest comes first', () => {
  const clues = originClues({ ...NOTHING, name: 'IMG_0001.jpg', embedded: { creator: 'Ann Lee' }, firstSeen: { day: 0, page: 'a' } }); // oxfmt-ignore
  expect(clues.map(({ strength }) => strength)).toEqual([3, 2, 1]);
});
