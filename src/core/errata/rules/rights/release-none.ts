import { answered } from './answered';

export const releaseNone = answered({
  id: 'rights/release-none',
  codes: ['release-none'],
  degree: 'must',
  title: 'Somebody on it has not agreed to be shown',
  why: 'People decide themselves whether they are shown; of children their guardians do.',
  remedy: 'Take the picture off, or show another one.',
  evidence: 'Somebody on it was asked, and has given no release.',
});
