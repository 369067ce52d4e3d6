import 'server-only';
import { notFound } from 'next/navigation';
import { requireActor } from '../session';
import { siteBySlug } from '../site';
import { pictureById } from './pictures';

/** The picture that a screen's address names, with its site and who asks; a number that is none is not found. */
export async function pictureOfRoute(params: Promise<{ slug: string; id: string }>) {
  const { slug, id } = await params;
  const site = await siteBySlug(slug);
  const actor = await requireActor();
  const found = /^\d{1,9}$/.test(id) ? await pictureById(site.id, Number(id)) : null;
  return { site, actor, found: found ?? notFound() };
}
