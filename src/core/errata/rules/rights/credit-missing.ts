import { withCredit } from '../../../rights/credit/with-credit';
import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { answered } from './answered';

const asked = answered({
  id: 'rights/credit-missing',
  codes: ['credit-missing'],
  degree: 'must',
  title: 'The credit that its licence asks for is missing',
  why: 'It was given on the condition that whoever made it is named.',
  remedy: 'Write the credit into the caption, under the picture, or on the page of picture credits.',
});

export const creditNotShown: Rule = {
  ...asked,
  check: (placement, around) => {
    const finding = asked.check(placement, around);
    const wanted = placement.rights?.credit.wanted ?? null;
    if (!finding || wanted === null || !isPicture(placement)) return finding;
    return { ...finding, fix: { field: 'caption', text: withCredit(placement.caption, wanted) } };
  },
};
