import { answered } from './answered';

export const creditNotShown = answered({
  id: 'rights/credit-missing',
  codes: ['credit-missing'],
  degree: 'must',
  title: 'The credit that its licence asks for is missing',
  why: 'It was given on the condition that whoever made it is named.',
  remedy: 'Write the credit into the caption, under the picture, or on the page of picture credits.',
});
