/** A picture that stands everywhere with words at fault, beside others that stand once: what is proposed, and what the desk says. */
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { listProposals } from '@/app/_data/errata/proposals';
import { deskQueue } from '@/app/_data/words/text-desk-queue';
import { sites } from '@/server/db/schema/sites';
import { gatherWords } from '@/server/work/words/gather-words';
import { connected } from '../fixtures/connected';
import { MAINTAINER, useDatabase } from '../fixtures/test-database';
import { flatPicture, writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let siteId: number;
const PAGES = 200;
const OTHERS = ['one', 'two', 'three'];
const ASKED = { filter: 'all', rule: 'alt/empty-link', section: null, owner: null } as const;

const linked = (picture: string) => `<a href="join.html"><img src="${picture}.png" alt=""></a>`;

beforeAll(async () => {
  const root = join(held.folder, 'everywhere');
  await writeFiles(root, {
    'join.html': '<html lang="en"><title>How to join the club</title><p>Come in.',
    ...Object.fromEntries(Array.from({ length: PAGES }, (_, n) => [`p${n}.html`, `<html lang="en"><title>Page ${n}</title>${linked('everywhere')}`])),
    ...Object.fromEntries(OTHERS.map((name) => [`${name}.html`, `<html lang="en"><title>${name}</title>${linked(name)}`])),
    'everywhere.png': await flatPicture(200, 100, 'png'),
    'one.png': await flatPicture(400, 300, 'png'),
    'two.png': await flatPicture(90, 90, 'png'),
    'three.png': await flatPicture(300, 900, 'png'),
  }); // oxfmt-ignore
  siteId = await connected(held.db, 'Everywhere', root);
});

async function proposed() {
  const [site] = await held.db.orm.select().from(sites);
  if (!site) throw new Error('the site is gone');
  const all = await listProposals(site, ASKED);
  return new Map(all.map(({ name, after, ids, pages }) => [name, { after, ids, pages }]));
}

const queue = async () => {
  const entries = await deskQueue(siteId, { ...ASKED, pictures: [] });
  return new Map(entries.map(({ name, errata, isGathered }) => [name, { errata, isGathered }]));
};

describe('a picture that stands everywhere', () => {
  it('does not hide what is proposed for others, and comes on where its first places are gathered', async () => {
    const first = await proposed();
    expect([...first.keys()].sort()).toEqual(['everywhere.png', 'one.png', 'three.png', 'two.png']);
    const { after, ids, pages } = first.get('everywhere.png') ?? { after: '', ids: [], pages: 0 };
    expect({ after, pages, different: new Set(ids).size }).toEqual({ after: 'How to join the club', pages: 150, different: 150 }); // oxfmt-ignore
    expect(await queue()).toEqual(new Map([
      ['everywhere.png', { errata: PAGES, isGathered: false }],
      ...OTHERS.map((name) => [`${name}.png`, { errata: 1, isGathered: false }] as const),
    ])); // oxfmt-ignore

    await gatherWords(held.db, MAINTAINER, siteId, [{ ids: [...ids], alt: after, caption: null }]);
    const rest = (await proposed()).get('everywhere.png')?.ids ?? [];
    expect(rest.length).toBe(PAGES - 150);
    expect(rest.filter((id) => ids.includes(id))).toEqual([]);
    // Some of its places have words, and not all.
    expect((await queue()).get('everywhere.png')).toEqual({ errata: PAGES, isGathered: false });

    await gatherWords(held.db, MAINTAINER, siteId, [{ ids: [...rest], alt: after, caption: null }]);
    expect([...(await proposed()).keys()].sort()).toEqual(['one.png', 'three.png', 'two.png']);
    expect((await queue()).get('everywhere.png')).toEqual({ errata: PAGES, isGathered: true });
    expect((await queue()).get('one.png')).toEqual({ errata: 1, isGathered: false });
  });
});
