import type { PictureErratum } from '@/app/_data/errata/errata-of-picture';
import { ruleText } from '@/core/errata/all-rules';
import { count, lowerFirst } from '@/ui/format';
import { Note } from '@/ui/note';

/** What the record says by itself, with more than the evidence. */
const SAID_OTHERWISE: readonly string[] = ['fresh/placeholder', 'fresh/changed-since', 'file/missing'];

/** What rules find wrong with a picture, a note a rule. */
export function FoundWrong({ errata }: { errata: readonly PictureErratum[] }) {
  return errata
    .filter(({ rule }) => !SAID_OTHERWISE.includes(rule))
    .map(({ rule, degree, evidence, count: times }) => {
      const what = lowerFirst(ruleText(rule)?.title ?? rule);
      return (
        <Note
          key={`${rule} ${degree}`}
          degree={degree}
          head={times > 1 ? `${what}, in ${count(times, 'place')}` : what}
        >
          {evidence}
        </Note>
      );
    });
}
