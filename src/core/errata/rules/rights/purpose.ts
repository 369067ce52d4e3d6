import { answered } from './answered';

export const purpose = answered({
  id: 'rights/purpose',
  codes: ['licence-purpose'],
  degree: 'must',
  title: 'Its licence is for other purposes',
  why: 'What was agreed does not cover pages like this one.',
  remedy: 'Put another picture in its place, or ask for this purpose as well.',
});
