/** What is told of a picture the moment it arrives: whether it is here already, and whether it is fit to be shown. */
import { mentionsInName, type MentionRules } from '../dating/date-mentions';

/** How an arriving picture and one of the site lie to each other. */
type Relation = 'same size' | 'larger' | 'smaller' | 'part of it' | 'holds it';

export type IntakeFinding =
  /** The very same bytes are a file of the site. */
  | { readonly kind: 'same bytes'; readonly path: string; readonly pages: number }
  /** It shows the same as a file of the site; `scale`: how many times as wide as what that shows. */
  | {
      readonly kind: 'same picture';
      readonly path: string;
      readonly pages: number;
      readonly relation: Relation;
      readonly scale: number;
    }
  /** The same bytes came twice in one delivery. */
  | { readonly kind: 'twice'; readonly fileName: string }
  | { readonly kind: 'blurred' }
  /** Smaller than most places of the site would need. */
  | { readonly kind: 'small'; readonly widthPx: number; readonly asked: number }
  /** Its file says another year than the folder or name it came in. */
  | { readonly kind: 'date'; readonly taken: number; readonly said: number }
  /** It could not be looked at. */
  | { readonly kind: 'unseen'; readonly why: string };

export interface Arrived {
  readonly fileName: string;
  /** Path within what it came in; empty where it came alone. */
  readonly entry: string;
  readonly widthPx: number;
  readonly heightPx: number;
  /** As `softnessOf` gives it. */
  readonly softness: number;
  readonly takenYear: number | null;
  /** Another of the same delivery with the same bytes, that came before. */
  readonly twin: string | null;
  /** Files of the site with the same bytes, or that show the same, the one on most pages first. */
  readonly known: readonly KnownThere[];
}

export interface KnownThere {
  readonly path: string;
  readonly pages: number;
  readonly isSameBytes: boolean;
  /** Width of what both show, in pixels: in the picture that arrives, and in the one that is there. */
  readonly ownPx: number;
  readonly therePx: number;
  /** Shares of their widths that both show. */
  readonly ownShare: number;
  readonly thereShare: number;
}

/** Softness above which a picture is blurred as a whole: of 110 photographs none has more than 0.49, blurred by 4 of 1,024 pixels none less than 0.7. */
const BLURRED = 0.56;
/** Sizes that differ by less are the same. */
const SAME_SCALE = 1.08;
/** A share below this is a part. */
const WHOLE = 0.94;

export interface IntakeRules extends MentionRules {
  /** Long side in pixels that most content pictures of the site need. */
  readonly asked: number;
}

/** What is to be said of an arriving picture, the weightiest first. */
export function findingsOf(arrived: Arrived, rules: IntakeRules): IntakeFinding[] {
  const { asked } = rules;
  const findings: IntakeFinding[] = [];
  const [same] = arrived.known.filter(({ isSameBytes }) => isSameBytes);
  if (same) findings.push({ kind: 'same bytes', path: same.path, pages: same.pages });
  else if (arrived.known[0]) findings.push(samePicture(arrived.known[0]));
  if (arrived.twin !== null) findings.push({ kind: 'twice', fileName: arrived.twin });
  if (arrived.softness > BLURRED) findings.push({ kind: 'blurred' });
  const long = Math.max(arrived.widthPx, arrived.heightPx);
  if (long < asked) findings.push({ kind: 'small', widthPx: arrived.widthPx, asked });
  const said = saidYear(arrived, rules);
  if (arrived.takenYear !== null && said !== null && said !== arrived.takenYear)
    findings.push({ kind: 'date', taken: arrived.takenYear, said });
  return findings;
}

function samePicture({ path, pages, ownPx, therePx, ownShare, thereShare }: KnownThere): IntakeFinding {
  const scale = ownPx / therePx;
  const relation: Relation =
    ownShare < WHOLE
      ? 'holds it'
      : thereShare < WHOLE
        ? 'part of it'
        : scale > SAME_SCALE
          ? 'larger'
          : scale < 1 / SAME_SCALE
            ? 'smaller'
            : 'same size';
  return { kind: 'same picture', path, pages, relation, scale };
}

const DAY_MS = 86_400_000;

/** The only year that its name and folders tell, `null` where there is none, or several. */
function saidYear({ entry, fileName }: Arrived, rules: MentionRules): number | null {
  const years = new Set(
    mentionsInName(entry || fileName, rules).flatMap(({ from }) =>
      from === null ? [] : [new Date(from * DAY_MS).getUTCFullYear()],
    ),
  );
  const [year] = years;
  return years.size === 1 && year !== undefined ? year : null;
}
