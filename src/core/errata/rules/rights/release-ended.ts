import { answered } from './answered';

export const releaseEnded = answered({
  id: 'rights/release-ended',
  codes: ['release-ended', 'release-not-yet'],
  degree: 'must',
  title: 'The release of somebody on it does not hold today',
  why: 'It was given for a time, and that is over or has not begun.',
  remedy: 'Ask for a new release, or show another picture.',
  evidence: 'The release of somebody on it has ended, or has not begun.',
});
