import { answered } from './answered';

export const licenceUnknown = answered({
  id: 'rights/licence-unknown',
  codes: ['licence-unknown'],
  degree: 'should',
  title: 'Its licence is not known',
  why: 'It is known where it comes from, and not what was allowed.',
  remedy: 'Ask whoever made it, and record the licence.',
});
