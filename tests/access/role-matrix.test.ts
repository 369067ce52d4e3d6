import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { relative } from 'node:path';
import { describe, expect, it } from 'vitest';
import { ROLE_MATRIX } from './role-matrix';

const filesUnder = (folder: string) =>
  execFileSync('find', [folder, '-name', '*.ts', '-o', '-name', '*.tsx'], { encoding: 'utf8' })
    .split('\n')
    .filter(Boolean);

const APP = 'src/app';
const TEXTS = new Map(filesUnder(APP).map((path) => [relative(APP, path), readFileSync(path, 'utf8')]));
const WORK = filesUnder('src/server').map((path) => readFileSync(path, 'utf8'));

/** Everything that a request can reach and that is no page: exports of files of server actions, and of routes. */
function reachable(): string[] {
  return [...TEXTS].flatMap(([path, text]) => {
    const isActions = /^\s*['"]use server['"]/u.test(text);
    if (!isActions && !path.endsWith('route.ts')) return [];
    const names = [...text.matchAll(/^export (?:async function|const) (\w+)/gmu)].map(([, name]) => name);
    return names.filter((name) => isActions || /^[A-Z]+$/u.test(name ?? '')).map((name) => `${path} ${name}`);
  });
}

/** The source of an exported function, as far as the next one at the same level. */
function bodyOf(texts: readonly string[], name: string): string | null {
  for (const text of texts) {
    const start = text.search(new RegExp(`^export (?:async )?function ${name}\\b`, 'mu'));
    if (start < 0) continue;
    const end = text.slice(start).search(/^\}/mu);
    return text.slice(start, start + end);
  }
  return null;
}

describe('the role matrix', () => {
  it('has a row for every action and every route, and for nothing else', () => {
    expect(ROLE_MATRIX.map(({ at }) => at).sort()).toEqual(reachable().sort());
  });

  it('knows of no action written inside a component', () => {
    const inline = [...TEXTS].filter(([, text]) => /^\s+['"]use server['"]/mu.test(text));
    expect(inline.map(([path]) => path)).toEqual([]);
  });

  it.each(ROLE_MATRIX.filter(({ verbs, who }) => verbs.length > 0 && who !== 'everybody'))(
    '$at asks who may',
    ({ at, who, verbs }) => {
      const [path = ''] = at.split(' ');
      for (const verb of verbs) {
        expect(TEXTS.get(path), `${at} calls ${verb}`).toContain(verb);
        if (verb === 'currentActor' || verb === 'answerForSite') continue;
        const body = bodyOf(WORK, verb);
        expect(body, `${verb} is a verb`).not.toBeNull();
        // Those that settle an edition share one question, asked where it is carried out.
        const asks = /requireRole\(actor|settling\(db, actor/u.test(body ?? '');
        expect(asks, `${verb} asks for one of ${String(who)}`).toBe(true);
      }
    },
  );
});
