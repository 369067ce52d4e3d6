import type { LeftoverStrength } from '@/core/picture/leftover-strength';

export const LEFTOVER_WORDS: Readonly<Record<LeftoverStrength, string>> = {
  sure: 'surely a leftover of the template',
  likely: 'likely a leftover of the template',
  maybe: 'perhaps a leftover of the template',
};
