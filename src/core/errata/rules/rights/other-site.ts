import { answered } from './answered';

export const otherSite = answered({
  id: 'rights/other-site',
  codes: ['licence-site'],
  degree: 'must',
  title: 'Its licence is for other sites',
  why: 'What was agreed names the sites on which it may stand, and this is none of them.',
  remedy: 'Put another picture in its place, or ask for this site as well.',
});
