import { altBranch } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { Rule } from '../../rule';

const CODE =
  /<\?(?:php|=)|<%|<\/?[a-z][^>]*>|\{\{.*?\}\}|\[\/?[a-z]+_[a-z_]+\]|\[\/[a-z]+\]|\[[a-z_]+\s+[a-z_]+=[^\]]*\]|%[A-Z_]{3,}%|&(?:amp;)?[a-z]+;|https?:\/\//iu;
const NO_WORD = /^[^\p{L}\p{N}]+$/u;

export const code: Rule = {
  id: 'alt/code',
  degree: 'should',
  level: 'read',
  title: 'The alt text holds code, an address or signs instead of words',
  why: 'A screen reader reads every sign of it.',
  remedy: 'Say in words what it shows here.',
  standard: 'WCAG 2.2, 1.1.1; F30',
  applies: hasAlt,
  check: (placement) => {
    const text = (placement.alt ?? '').trim();
    // Many a sign has a name that is read, and some say it all: an arrow back, a plus that opens.
    if (NO_WORD.test(text)) return { evidence: `The alt text is “${text}”.`, branch: altBranch(placement) };
    const [found] = CODE.exec(text) ?? [];
    return found ? { evidence: `“${found}” stands in it.`, branch: altBranch(placement) } : null;
  },
  examples: [
    { html: '<img src="a.jpg" alt="{{ page.title }}">', evidence: '“{{ page.title }}” stands in it.' },
    { html: '<img src="a.jpg" alt="***">', evidence: 'The alt text is “***”.' },
    { html: '<img src="a.jpg" alt="&lt;b&gt;Hall&lt;/b&gt;">', evidence: '“<b>” stands in it.' },
    { html: '<img src="a.jpg" alt="😀">', evidence: 'The alt text is “😀”.' },
    { html: '<img src="a.jpg" alt="[caption id=4]">', evidence: '“[caption id=4]” stands in it.' },
    { html: '<img src="a.jpg" alt="Nine tutors (and a cat)">', evidence: null },
    { html: '<img src="note.png" alt="[Note]">', evidence: null },
  ],
};
