import { answered } from './answered';

export const sourceUnknown = answered({
  id: 'rights/source-unknown',
  codes: ['source-unknown'],
  degree: 'note',
  title: 'Where the picture comes from is not recorded',
  why: 'Without that nobody can say whether it may be shown, and the claim for a picture that may not comes years later.',
  remedy: 'Find out who made it and what was agreed, and record it; else put another in its place.',
});
