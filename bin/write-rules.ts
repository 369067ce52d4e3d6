/** Writes `docs/rules/` from the rules, a page each and an index. */
import { mkdir, readdir, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { ALL_RULES } from '@/core/errata/all-rules';
import { fileOf, rulePage, rulesIndex } from '@/core/errata/rule-page';

const FOLDER = 'docs/rules';
/** Written by the test that measures them. */
const MEASURED = 'measured.md';

await mkdir(FOLDER, { recursive: true });
for (const name of await readdir(FOLDER)) if (name !== MEASURED) await rm(join(FOLDER, name));
for (const rule of ALL_RULES) await writeFile(join(FOLDER, fileOf(rule.id)), rulePage(rule));
await writeFile(join(FOLDER, 'README.md'), rulesIndex(ALL_RULES));
