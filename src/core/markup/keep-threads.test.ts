import fc from 'fast-check';
import { expect, it } from 'vitest';
import { keepThreads } from './keep-threads';

/** `spot=shows` in page order. */
const places = (text: string) =>
  text
    .split(' ')
    .filter(Boolean)
    .map((item) => {
      const [spot = '', shows = ''] = item.split('=');
      return { kind: 'img', spot, shows, thread: `t:${spot}` };
    });

it.each([
  ['nothing has changed', '1=a 2=b', '1=a 2=b', ['t:1', 't:2']],
  ['one put in before them', '1=a 2=b', '1=n 2=a 3=b', ['1', 't:1', 't:2']],
  ['one taken out before them', '1=a 2=b 3=c', '1=b 2=c', ['t:2', 't:3']],
  ['one shows something else', '1=a 2=b', '1=a 2=n', ['t:1', 't:2']],
  ['two that changed places', '1=a 2=b', '1=b 2=a', ['t:2', 't:1']],
  ['the same picture twice, one gone', '1=a 2=a', '1=a', ['t:1']],
  ['everything new', '', '1=a', ['1']],
  [
    'a picture put around one',
    'p:1>img:1|src|=a p:1>img:2|src|=b',
    'p:1>picture:1>img:1|src|=n p:1>img:1|src|=b',
    ['t:p:1>img:1|src|', 't:p:1>img:2|src|'],
  ],
  [
    'one taken off around both',
    'p:1>picture:1>img:1|src|=a p:1>picture:2>img:1|src|=b',
    'p:1>img:1|src|=c p:1>img:2|src|=d',
    ['t:p:1>picture:1>img:1|src|', 't:p:1>picture:2>img:1|src|'],
  ],
  [
    'one in a picture elsewhere',
    'p:1>img:1|src|=a',
    'p:2>picture:1>img:1|src|=n',
    ['p:2>picture:1>img:1|src|'],
  ],
  [
    'one that makes room for another sort',
    'p:1>img:1|src|=a',
    'p:1>picture:1>source:1|srcset|=n',
    ['p:1>picture:1>source:1|srcset|'],
  ],
  ['one put in before them, and one gone', '1=a 2=b', '1=n 2=a 3=m', ['1', 't:1', '3']],
])('%s', (_name, earlier, later, threads) => {
  expect(keepThreads(places(earlier), places(later), 7).map(({ thread }) => thread)).toEqual(threads);
});

it('gives a new place a name that no other has', () => {
  const earlier = [{ kind: 'img', spot: '9', shows: 'a', thread: '1' }];
  expect(keepThreads(earlier, places('9=a 1=n'), 7).map(({ thread }) => thread)).toEqual(['1', '1~7']);
});

it('never gives two places one thread, nor one earlier place to two', () => {
  const list = fc.uniqueArray(
    fc.record({
      kind: fc.constant('img'),
      spot: fc.constantFrom('1', '2', '3', '4'),
      shows: fc.constantFrom('a', 'b'),
    }),
    { selector: ({ spot }) => spot },
  );
  fc.assert(
    fc.property(list, list, (earlier, later) => {
      const found = keepThreads(
        earlier.map((place) => ({ ...place, thread: place.spot })),
        later,
        3,
      );
      expect(new Set(found.map(({ thread }) => thread)).size).toBe(later.length);
      const used = found.flatMap((one) => (one.earlier === null ? [] : [one.earlier]));
      expect(new Set(used).size).toBe(used.length);
    }),
  );
});
