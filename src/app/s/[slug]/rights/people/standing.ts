import type { Standing } from '@/app/_data/rights/people';

export const STANDING_LOOK: Readonly<Record<Standing, string>> = {
  'in force': 'text-green',
  ended: 'text-must',
  'not yet': 'text-must',
  withdrawn: 'text-must',
  'none given': 'text-must',
  'not asked': 'text-should',
};
