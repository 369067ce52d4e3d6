import { answered } from './answered';

export const peopleUnasked = answered({
  id: 'rights/people-unasked',
  codes: ['people-unasked'],
  degree: 'should',
  title: 'Whether people on it agree is not recorded',
  why: 'People can be recognised on it, and nobody knows whether they were asked.',
  remedy: 'Ask them, and record what they say.',
  evidence: 'People on it can be recognised, and whether they agree is not recorded.',
});
