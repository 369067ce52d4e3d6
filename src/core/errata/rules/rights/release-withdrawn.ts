import { answered } from './answered';

export const releaseWithdrawn = answered({
  id: 'rights/release-withdrawn',
  codes: ['release-withdrawn'],
  degree: 'must',
  title: 'Somebody on it no longer agrees to be shown',
  why: 'A release can be withdrawn, and then the picture has to go at once, wherever it stands.',
  remedy: 'Take the picture off all pages, or show another one.',
  evidence: 'The release of somebody on it was withdrawn.',
});
