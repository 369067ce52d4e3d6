'use server';

import Joi from 'joi';
import { act } from '@/app/_data/act';
import { saveSlots, type MeasuredPlace } from '@/server/work/proof/save-slots';
import { siteBySlug } from '@/app/_data/site';

const px = Joi.number().min(-1e6).max(1e6).required();
const PLACES = Joi.array<MeasuredPlace[]>()
  .max(5000)
  .items(
    Joi.object({
      number: Joi.number().integer().min(1).max(100_000).required(),
      ...{ x: px, y: px, width: px, height: px },
      fit: Joi.valid('fill', 'contain', 'cover', 'none').required(),
      isSeen: Joi.boolean().required(),
    }),
  )
  .required();

/** Keeps what a reader's browser measured on a page; what it sends is checked, for it comes from the page's own frame. */
export async function keepMeasures(
  slug: string,
  pageId: number,
  width: string,
  places: unknown,
): Promise<void> {
  const site = await siteBySlug(slug);
  const { value, error } = PLACES.validate(places, { stripUnknown: true });
  if (error || !Number.isInteger(pageId)) return;
  await act((db, actor) =>
    saveSlots(
      db,
      actor,
      { siteId: site.id, pageId },
      {
        width: width === 'phone' ? 'phone' : 'desktop',
        places: value as MeasuredPlace[],
      },
    ),
  );
}
