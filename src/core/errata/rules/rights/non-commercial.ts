import { answered } from './answered';

export const nonCommercial = answered({
  id: 'rights/non-commercial',
  codes: ['licence-noncommercial'],
  degree: 'must',
  title: 'Its licence allows nothing commercial',
  why: 'The page sells something, and whoever made the picture gave it for what sells nothing.',
  remedy: 'Put another picture in its place.',
});
