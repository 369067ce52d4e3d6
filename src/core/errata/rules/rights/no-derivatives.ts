import { answered } from './answered';

export const noDerivatives = answered({
  id: 'rights/no-derivatives',
  codes: ['licence-noderivatives'],
  degree: 'must',
  title: 'Its licence allows no changes, and it was changed',
  why: 'Whoever made the picture allowed it as it is, and no other way.',
  remedy: 'Show the whole picture, unchanged, or another one.',
});
