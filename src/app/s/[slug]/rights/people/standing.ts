import type { Standing } from '@/core/rights/standing';

export const STANDING_LOOK: Readonly<Record<Standing, string>> = {
  'in force': 'text-green',
  ended: 'text-must',
  'not yet': 'text-must',
  withdrawn: 'text-must',
  'none given': 'text-must',
  'not asked': 'text-should',
};
