/** Writes `docs/rules/` from the rules, a page each and an index. */
import { mkdir, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { RULES } from '@/core/errata/all-rules';
import { fileOf, rulePage, rulesIndex } from '@/core/errata/rule-page';

const FOLDER = 'docs/rules';

await rm(FOLDER, { recursive: true, force: true });
await mkdir(FOLDER, { recursive: true });
for (const rule of RULES) await writeFile(join(FOLDER, fileOf(rule.id)), rulePage(rule));
await writeFile(join(FOLDER, 'README.md'), rulesIndex(RULES));
