import type { LineFinding } from '@/app/_data/intake/delivery';
import { count, numberText } from '@/ui/format';

export interface Told {
  readonly degree: 'must' | 'should' | 'note';
  readonly text: string;
}

const fileOf = (path: string) => path.split('/').at(-1) ?? path;
const onPages = (pages: number) => (pages === 0 ? 'on no page' : `on ${count(pages, 'page')}`);

/** What a finding says to a person, and how much it matters. */
export function findingText(found: LineFinding): Told {
  switch (found.kind) {
    case 'same bytes':
      return { degree: 'should', text: `You have this one: ${fileOf(found.path)}, ${onPages(found.pages)}.` };
    case 'same picture':
      return { degree: 'note', text: sameText(found) };
    case 'twice':
      return { degree: 'should', text: `It came twice: the same as ${found.fileName}.` };
    case 'blurred':
      return { degree: 'should', text: 'It is blurred throughout.' };
    case 'small':
      return {
        degree: 'should',
        text: `It is small: most places here want ${numberText(found.asked)} pixels.`,
      };
    case 'unseen':
      return { degree: 'should', text: `It could not be looked at: ${found.why}` };
    case 'date':
      return { degree: 'note', text: `Its file says ${found.taken}, its name or folder ${found.said}.` };
  }
}

function sameText({ path, pages, relation, scale }: Extract<LineFinding, { kind: 'same picture' }>): string {
  const there = `${fileOf(path)}, ${onPages(pages)}`;
  const times = scale >= 1 ? scale : 1 / scale;
  const by = times >= 1.5 ? `${times.toFixed(1)} times ` : '';
  switch (relation) {
    case 'same size':
      return `The same picture is here: ${there}.`;
    case 'larger':
      return `The same picture is here, yours is ${by}larger: ${there}.`;
    case 'smaller':
      return `The same picture is here, and ${by}larger: ${there}.`;
    case 'part of it':
      return `A part of one that is here: ${there}.`;
    case 'holds it':
      return `It shows more of one that is here: ${there}.`;
  }
}
