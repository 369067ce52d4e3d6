/** What the words beside a picture say of a change: the room was painted since, somebody has left. */
import { everyMatch } from '../../words/every-match';
import { mentionsInWords } from '../../dating/date-mentions';
import { partsOf, type Day } from '../../dating/day';
import { contentWords, sharedWords } from '../../words/content-words';
import { wordsFor } from '../../words/languages/known-languages';
import { namesIn, mayBeOne } from '../../words/proper-names';
import type { PictureFacts, PlacementToCheck } from '../page-to-check';

/** Of rooms and things: after it they look otherwise. */
const REMADE =
  /(?<!\p{L})(?:re-?painted|re-?built|re-?furbished|re-?decorated|re-?modelled|renovated|extended|replaced|demolished|pulled down|torn down|(?:neu |frisch )?gestrichen|umgebaut|renoviert|saniert|erneuert|abgerissen|ersetzt|erweitert|repeinte?s?|rénovée?s?|refaite?s?|reconstruite?s?|démolie?s?|agrandie?s?|remplacée?s?|(?:re)?pintad[oa]s?|renovad[oa]s?|reformad[oa]s?|reconstruid[oa]s?|derribad[oa]s?|ampliad[oa]s?|sustituid[oa]s?)(?!\p{L})/giu;
/** Of people: after it they are gone. */
const GONE =
  /(?<!\p{L})(?:left (?:us|the (?:school|club|team|staff|board|committee))|has left|retired|stepped down|moved on|no longer (?:with us|works?|teaches)|ausgeschieden|hat uns verlassen|verlie(?:ß|ss) uns|in den ruhestand|im ruhestand|nicht mehr (?:bei uns|im)|nous a quittés?|a quitté (?:l[’']|le |la )|à la retraite|n[’']est plus|se jubiló|se ha jubilado|nos dejó|dejó (?:el|la) |ya no (?:está|trabaja))(?!\p{L})/giu;
const SMALL = wordsFor(null, 'functionWords');
/** Letters before a verb in which stands what it is said of, and after it in which stands when. */
const REACH = { before: 90, after: 60 };

/**
 * The words around a picture by which what it shows is no longer so: of a thing that was changed after it was taken, of a
 * person who has left. `null` where there are none.
 */
export function changedBeside(
  { dating, kind }: Pick<PictureFacts, 'dating' | 'kind'>,
  { alt, caption, context }: Pick<PlacementToCheck, 'alt' | 'caption' | 'context'>,
  today: Day,
): string | null {
  const own = `${caption ?? ''} ${context.entry ?? ''}`.trim();
  const isOfPerson = ({ subject, until }: Said, text: string): boolean => {
    const last = namesIn(subject).at(-1);
    const names = [...namesIn(alt ?? ''), ...namesIn(caption ?? '')];
    const isMeant = last ? names.some((name) => mayBeOne(last, name)) : text === own;
    return isMeant && (until === null || until <= today);
  };
  const isBefore = ({ subject, from }: Said, text: string, taken: Day): boolean => {
    if (from === null || taken >= from) return false;
    const words = contentWords(`${alt ?? ''} ${caption ?? ''}`, SMALL);
    return text === own || sharedWords(words, contentWords(subject, SMALL)).length > 0;
  };
  const taken = dating?.until ?? null;
  for (const text of [own, context.before, context.after]) {
    const gone =
      kind === 'portrait' ? saidIn(text, GONE, today).find((said) => isOfPerson(said, text)) : undefined;
    const remade =
      taken === null ? undefined : saidIn(text, REMADE, today).find((said) => isBefore(said, text, taken));
    const said = gone ?? remade;
    if (said) return said.text;
  }
  return null;
}

/** Where headings and captions end without a stop, an article in capitals begins what comes next. */
const NEXT_SENTENCE =
  /(?<=[\p{L}\d])\s+(?=(?:The|Our|An?|In|Der|Die|Das|Unsere?|Ein|Eine|Le|La|Les|L[’']|Nos|Notre|El|Los|Las|Nuestr[oa])\s)/u;

interface Said {
  /** The sentence, from what it is said of to when. */
  readonly text: string;
  readonly subject: string;
  /** When, as far as that is told. */
  readonly from: Day | null;
  readonly until: Day | null;
}

/** Each place of a text where such a change is told. */
function saidIn(text: string, pattern: RegExp, today: Day): Said[] {
  return everyMatch(pattern, text).map((match) => {
    const before = text.slice(Math.max(0, match.index - REACH.before), match.index);
    const subject =
      before
        .slice(before.search(/[^.!?;…]*$/u))
        .split(NEXT_SENTENCE)
        .at(-1)
        ?.trim() ?? '';
    const rest = text.slice(match.index, match.index + match[0].length + REACH.after);
    const tail = /^.*?[.!?](?=\s|$)/u.exec(rest)?.[0] ?? rest;
    // A German verb stands after its time: “wurde 2022 neu gestrichen”.
    const times = [tail, subject].flatMap((part) => mentionsInWords(part, { thisYear: partsOf(today).year }));
    const [when] = times;
    return {
      text: `${subject} ${tail}`.trim(),
      subject,
      from: when?.from ?? null,
      until: when?.until ?? null,
    };
  });
}
