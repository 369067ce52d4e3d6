import { answered } from './answered';

export const licenceEnded = answered({
  id: 'rights/licence-ended',
  codes: ['licence-ended', 'licence-not-yet'],
  degree: 'must',
  title: 'Its licence does not hold today',
  why: 'What was agreed has ended, or has not begun; showing it all the same can be claimed for.',
  remedy: 'Put another picture in its place, or agree on more time and record it.',
});
