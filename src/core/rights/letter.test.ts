import { expect, it } from 'vitest';
import { letterFor, mailDraft, type LetterFacts } from './letter';

const FACTS: LetterFacts = {
  ...{ to: 'Ann Lee', organisation: 'Ferndrake Community Music School', writer: 'Maud Kestle' },
  ...{ title: 'The hall', fileName: 'hall.jpg', pages: ['index.html', 'house/index.html'] },
};

it('names the picture, its pages and what is to be answered', () => {
  const { subject, body } = letterFor(FACTS);
  expect(subject).toBe('A picture on our web site: hall.jpg');
  for (const part of [
    'Dear Ann Lee,',
    '“The hall” (hall.jpg)',
    '- house/index.html',
    '3. which words',
    'Maud Kestle',
  ])
    expect(body).toContain(part);
});

it.each<[string, Partial<LetterFacts>, string]>([
  ['nobody is known', { to: '' }, 'Dear Sir or Madam,'],
  ['it has no title', { title: 'hall.jpg' }, 'own it: hall.jpg.'],
  ['it stands nowhere', { pages: [] }, '- no page at present'],
  ['it stands on many pages', { pages: Array.from({ length: 20 }, (_, n) => `p${n}.html`) }, '- and 8 more'],
])('where %s', (_, facts, part) => {
  expect(letterFor({ ...FACTS, ...facts }).body).toContain(part);
});

it('becomes a draft that a mail program reads back the same', () => {
  const letter = letterFor({ ...FACTS, title: 'Hall & stage, 50 %?' });
  const draft = new URL(mailDraft(letter, 'ann+hall@bright.example'));
  expect(decodeURIComponent(draft.pathname)).toBe('ann+hall@bright.example');
  expect(draft.searchParams.get('subject')).toBe(letter.subject);
  expect(draft.searchParams.get('body')?.replaceAll('\r\n', '\n')).toBe(letter.body);
});
