/** What a person may send as the steps of a revision. */
import Joi from 'joi';
import { STEP_NAMES, type Revision } from '@/core/revision/steps';
import type { FocalPoint } from '@/core/swap/crop';

const SHARE = Joi.number().min(0).max(1).required();
const FIGURE = Joi.number().min(-100).max(100).required();

export const REVISION = Joi.object<Revision>({
  turn: Joi.number().integer().min(0).max(3).required(),
  mirror: Joi.string().valid('none', 'sideways', 'upside down').required(),
  straighten: Joi.number().min(-45).max(45).required(),
  crop: Joi.object({ x: SHARE, y: SHARE, width: SHARE, height: SHARE }).allow(null).required(),
  light: Joi.object({ brightness: FIGURE, contrast: FIGURE, warmth: FIGURE }).required(),
  size: Joi.object({
    by: Joi.string().valid('width', 'height', 'longest').required(),
    px: Joi.number().integer().min(1).max(20_000).required(),
  })
    .allow(null)
    .required(),
  struck: Joi.array()
    .items(Joi.string().valid(...STEP_NAMES))
    .unique()
    .required(),
});

export const FOCAL = Joi.object<FocalPoint>({ x: SHARE, y: SHARE });
