import Joi from 'joi';
import { applyEdits } from '@/core/edit/apply-edits';
import type { SiteEdit } from '@/core/edit/source-edit';
import { decodeSource } from '@/core/source/decode-source';
import type { ReadableConnection } from '@/server/connections/connection';
import { sha256 } from '@/server/hash';
import { ProblemError } from '@/server/problem-error';
import { readJsonRows } from './json-rows';
import { openSite, type SiteOptions } from './open-site';
import { writeSite } from './write-site';

const ROW = Joi.object<SiteEdit>({
  page: Joi.string().required(),
  source: Joi.string().required(),
  start: Joi.number().integer().min(0).required(),
  end: Joi.number().integer().min(Joi.ref('start')).required(),
  was: Joi.string().allow('').required(),
  becomes: Joi.string().allow('').required(),
  becomesBytes: Joi.string().hex(),
  expects: Joi.string().hex().length(64).required(),
});

/** `ibidem apply`: rows of edits, exactly, or not at all. */
export async function applyCommand(
  site: string,
  editsFile: string,
  options: SiteOptions & { readonly out: string },
): Promise<void> {
  const { out } = options;
  const rows = await readJsonRows(editsFile, ROW, {
    row: 'an edit',
    remedy: 'Give the rows that `ibidem swap` printed.',
  });
  const edits = rows.map(({ row }) => row);
  const connection = await openSite(site, options);
  try {
    const changed = new Map<string, Uint8Array>();
    for (const [path, group] of groupBySource(edits)) {
      changed.set(path, await applyToSource(connection, path, group));
    }
    await writeSite({ connection, place: site }, changed, out);
  } finally {
    await connection.close();
  }
}

async function applyToSource(
  connection: ReadableConnection,
  path: string,
  edits: readonly SiteEdit[],
): Promise<Uint8Array> {
  const bytes = await connection.read(path);
  const hash = sha256(bytes);
  const stale = edits.find((edit) => edit.expects !== hash);
  if (stale) {
    throw new ProblemError({
      code: 'SOURCE_CHANGED',
      what: `${path} is not the file these edits were made for.`,
      why: `They expect ${stale.expects.slice(0, 12)}…, the file is ${hash.slice(0, 12)}….`,
      remedy: 'Prepare the edits anew from the site as it is now; nothing was written.',
    });
  }
  const file = (await connection.list()).files.find((one) => one.path === path);
  const result = applyEdits({ bytes, source: decodeSource(path, bytes, file) }, edits);
  if (!result.ok) throw new ProblemError(result.problem);
  return result.bytes;
}

function groupBySource(edits: readonly SiteEdit[]): Map<string, SiteEdit[]> {
  const groups = new Map<string, SiteEdit[]>();
  for (const edit of edits) groups.set(edit.source, [...(groups.get(edit.source) ?? []), edit]);
  return groups;
}
