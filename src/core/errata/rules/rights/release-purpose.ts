import { answered } from './answered';

export const releasePurpose = answered({
  id: 'rights/release-purpose',
  codes: ['release-purpose'],
  degree: 'must',
  title: 'Somebody on it agreed to other purposes only',
  why: 'A release for lessons is none for the news or the shop.',
  remedy: 'Ask for this purpose as well, or show another picture.',
  evidence: 'The release of somebody on it is for other purposes than this page’s.',
});
