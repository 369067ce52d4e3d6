import Joi from 'joi';
import { currentActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { boundedJson } from '@/server/bounded-body';
import { database } from '@/server/db/database';
import { checkWords, type WordsOfPlace } from '@/server/work/errata/check-words';

const TEXT = Joi.string().max(5000).allow('', null).required();
const BODY = Joi.array()
  .items(
    Joi.object({
      placementId: Joi.number().integer().positive().required(),
      alt: TEXT,
      caption: TEXT,
      block: TEXT.optional(),
    }),
  )
  .max(60)
  .required();

/** Sixty places with three texts of 5,000 characters each, in any script. */
const MOST_BYTES = 4 * 1024 ** 2;

/** What the rules say of words while they are typed. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ slug: string }> },
): Promise<Response> {
  if (!(await currentActor())) return Response.json({ problem: 'not signed in' }, { status: 401 });
  const { value, error } = BODY.validate(await boundedJson(request, MOST_BYTES));
  if (error) return Response.json({ problem: 'These are no words of places.' }, { status: 400 });
  const site = await siteBySlug((await params).slug);
  return Response.json(await checkWords(database(), site.id, value as WordsOfPlace[], Date.now()));
}
