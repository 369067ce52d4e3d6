import type { Rule } from '../../rule';
import { ALLOWED, HALL, isShown } from './answered';

const SAID = 'It says nothing about the web: let the holder say that pages are meant.';

export const webUnsaid: Rule = {
  id: 'rights/web-unsaid',
  degree: 'note',
  level: 'measured',
  title: 'Its licence says nothing about the web',
  why: 'What was allowed for print, or in one country, need not be allowed where everybody can read it.',
  remedy: 'Ask the holder, and record the sites or purposes that are meant.',
  applies: isShown,
  check: ({ rights }) => {
    const step = rights?.chain.find(({ remark }) => remark === 'web-unsaid');
    return step ? { evidence: step.sentence } : null;
  },
  examples: [
    {
      html: HALL,
      evidence: SAID,
      rights: { ...ALLOWED, chain: [{ code: null, sentence: SAID, remark: 'web-unsaid' }] },
    },
    { html: HALL, evidence: null, rights: ALLOWED },
    { html: HALL, evidence: null },
  ],
};
