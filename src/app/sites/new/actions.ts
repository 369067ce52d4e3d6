'use server';

import { randomBytes } from 'node:crypto';
import { mkdir, rm, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { redirect } from 'next/navigation';
import { act } from '@/app/_data/act';
import type { Problem } from '@/core/problem';
import { settings } from '@/server/settings';
import { connectSite, type NewSite } from '@/server/work/sites/connect-site';

const text = (form: FormData, name: string) => String(form.get(name) ?? '').trim();

/** Connects a site from the form; gives the problem where that fails. */
export async function connect(_before: Problem | null, form: FormData): Promise<Problem | null> {
  const outcome = await act(async (db, actor) => {
    const sent = form.get('zip');
    const zip = sent instanceof File && sent.size > 0 ? await keepUpload(sent) : null;
    try {
      const start = text(form, 'start');
      const from: NewSite['from'] = zip
        ? { kind: 'zip', path: zip }
        : start
          ? { kind: 'http', start, isPrivate: form.get('isPrivate') !== null }
          : { kind: 'folder', path: text(form, 'folder') || '?' };
      const hosts = text(form, 'hosts')
        .split(/[\s,]+/)
        .filter(Boolean);
      return await connectSite(db, actor, {
        name: text(form, 'name'),
        liveUrl: text(form, 'liveUrl') || null,
        hosts,
        from,
      });
    } finally {
      if (zip) await rm(dirname(zip), { recursive: true, force: true });
    }
  });
  if (!outcome.ok) return outcome.problem;
  redirect(`/s/${outcome.value}/surveys`);
}

async function keepUpload(file: File): Promise<string> {
  const folder = join(settings().sitesFolder, randomBytes(8).toString('hex'));
  await mkdir(folder, { recursive: true });
  // Under the name that its sender knows, so that what is wrong with it is said of that.
  const place = join(
    folder,
    `${file.name
      .replace(/\.zip$/i, '')
      .replace(/[^\w. -]+/g, '_')
      .slice(0, 80)}.zip`,
  );
  await writeFile(place, Buffer.from(await file.arrayBuffer()));
  return place;
}
