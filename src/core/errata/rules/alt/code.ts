import { altBranch } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { Rule } from '../../rule';

const CODE =
  /<\?(?:php|=)|<%|<\/?[a-z][^>]*>|\{\{.*?\}\}|\[\/?[a-z]+_[a-z_]+\]|\[\/[a-z]+\]|\[[a-z_]+\s+[a-z_]+=[^\]]*\]|%[A-Z_]{3,}%|&(?:amp;)?[a-z]+;|https?:\/\//iu;
/** A picture sign, or a mark that is read by its name, beside the words. */
const SIGN = /\p{Extended_Pictographic}\p{M}*|[♥★☆✓✔→←↑↓►◄●■▲▼♦♣♠]/u;
/** A variable of a template that was never filled in. */
const UNFILLED = /\{\{|<\?|<%|\$\{|%[A-Z_]{3,}%|\[[a-z]+[_:-][a-z_]+\]/iu;
/** Fewer letters are no words beside a long address. */
const LEAST_LETTERS = 40;
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
    if (NO_WORD.test(text)) {
      const isEmoji = /\p{Extended_Pictographic}/u.test(text);
      return {
        evidence: `The alt text is “${text}”.`,
        branch: altBranch(placement),
        ...(isEmoji ? { degree: 'must' as const } : {}),
      };
    }
    const branch = altBranch(placement);
    const [found] = CODE.exec(text) ?? SIGN.exec(text) ?? [];
    if (!found) return null;
    // Where nothing else is said, nothing at all is.
    const rest = text.replace(CODE, '').replace(/[^\p{L}]/gu, '');
    const isAll = (UNFILLED.test(text) || /https?:/iu.test(found)) && rest.length < LEAST_LETTERS;
    return { evidence: `“${found}” stands in it.`, branch, ...(isAll ? { degree: 'must' as const } : {}) };
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
