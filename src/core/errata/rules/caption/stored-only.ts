import type { StoredWords } from '../../../markup/stored-words';
import { isPicture } from '../../places';
import type { Finding, Rule } from '../../rule';
import { isFileName } from '../../words/empty-texts';
import { isToldBeside } from '../../words/told-beside';

const LEAST_LETTERS = 12;

export const storedOnly: Rule = {
  id: 'caption/stored-only',
  degree: 'note',
  level: 'read',
  title: 'A description is kept that readers do not see',
  why: 'Somebody described the picture, in its file or in an attribute; who reads by touch or keyboard learns nothing of it.',
  remedy: 'Take it as the caption or for the alt text, if it holds.',
  standard: 'IPTC Photo Metadata: Description, Alt Text; HTML Living Standard, title attribute',
  applies: isPicture,
  check: (placement, { picture }) => {
    const { caption, alt, name, context, raw } = placement;
    if (caption) return null;
    const isNew = (text: string) =>
      text.length >= LEAST_LETTERS && !isFileName(text, raw) && !isToldBeside(placement, text);
    const embedded = picture?.embedded?.trim() ?? '';
    if (isNew(embedded)) return finding(`The file says “${embedded}”.`, embedded);
    // A title is the name of a picture that has no other: those who listen hear it.
    const isTitleSeen = alt === null && name !== '';
    const kept = context.stored?.find(
      ({ attribute, text }) => !(attribute === 'title' && isTitleSeen) && isNew(text),
    );
    return kept ? finding(`${whereKept(kept)} “${kept.text}”.`, kept.text) : null;
  },
  examples: [
    {
      html: '<img src="a.jpg" alt="Piano">',
      evidence: 'The file says “A piano beside a tall window”.',
      files: { 'a.jpg': { embedded: 'A piano beside a tall window' } },
    },
    {
      html: '<img src="a.jpg" alt="Piano" title="The new piano, given by the parents">',
      evidence: 'Only under a mouse shows “The new piano, given by the parents”.',
    },
    {
      html: '<a href="a.jpg" data-caption="Both choirs, June 2024"><img src="b.jpg" alt="Choirs"></a>',
      evidence: '“data-caption” keeps “Both choirs, June 2024”.',
    },
    {
      html: '<img src="a.jpg" alt="A piano beside a tall window">',
      evidence: null,
      files: { 'a.jpg': { embedded: 'A piano beside a tall window' } },
    },
    {
      html: '<img src="a.jpg" alt="Piano" title="The new piano"><p>The new piano: tuned today.</p>',
      evidence: null,
    },
    { html: '<img src="a.jpg" alt="Piano" data-title="piano_large_2.jpg">', evidence: null },
  ],
};

const finding = (evidence: string, text: string): Finding => ({ evidence, fix: { field: 'caption', text } });

const whereKept = ({ attribute }: StoredWords): string =>
  attribute === 'title' ? 'Only under a mouse shows' : `“${attribute}” keeps`;
