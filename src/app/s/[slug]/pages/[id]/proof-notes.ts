import type { PlaceErratum } from '@/app/_data/errata/errata-of-page';
import type { FileOfPage } from '@/app/_data/pages/pages';
import { mayBeDecoration } from '@/core/errata/alt-branch';
import { ruleText } from '@/core/errata/all-rules';
import { TAKES_OWN_WORDS } from '@/core/errata/page-to-check';
import { gravest, isOnWords, type Degree } from '@/core/errata/rule';
import type { Placement } from '@/core/markup/placement';
import { fileUnder } from '@/core/rights/filed';
import { kindText, nameWithoutFile, slotText } from '@/ui/placement-text';

/** What is wrong at a place, why, and what to do. */
interface Wrong {
  readonly degree: Degree;
  readonly head: string;
  readonly why: string;
  readonly remedy: string;
}

export interface ProofNote {
  readonly number: number;
  readonly name: string;
  /** Address of the small picture, or `null`. */
  readonly image: string | null;
  /** Addresses of the picture's record and of its swap; `null` for what is no file of the site. */
  readonly record: string | null;
  readonly swap: string | null;
  /** Address of the desk at which its words are put right; `null` where nothing is wrong with them. */
  readonly desk: string | null;
  readonly facts: string;
  readonly alt: string | null;
  readonly caption: string | null;
  /** The gravest first. */
  readonly wrong: readonly Wrong[];
  /** The gravest of it; `null` where nothing is wrong. */
  readonly degree: Degree | null;
}

interface NoteSources {
  readonly slug: string;
  readonly files: ReadonlyMap<string, FileOfPage>;
  /**
   * What the checks found on the page as it was last read, of which nothing counts where something else stands by now.
   * `null` where they say nothing of what is shown: of a draft,
   * and of a page that is still to be checked. The margin tells then what can be seen without them.
   */
  readonly errata: readonly PlaceErratum[] | null;
}

/** What the margin says of each place of a page, numbered as the proof numbers them. */
export function proofNotes(
  placements: readonly Placement[],
  { slug, files, errata }: NoteSources,
): ProofNote[] {
  const byPlace = new Map<number, PlaceErratum[]>();
  for (const one of errata ?? []) fileUnder(byPlace, one.ordinal, one);
  return placements.map((placement, i) => {
    const { address, kind, raw, source, page, declared, line, alt, caption } = placement;
    const file = address.kind === 'site' ? files.get(address.path) : undefined;
    const isSheet = source !== page;
    const here = errata && (byPlace.get(i + 1) ?? []).filter((one) => raw.startsWith(one.raw));
    const wrong = here === null ? wrongWith(placement, file) : here.map(wrongOf);
    const onWords = here?.find(({ rule }) => isOnWords(rule));
    const where = isSheet ? `line ${line} of ${source}` : `line ${line}`;
    return {
      number: i + 1,
      name:
        address.kind === 'site'
          ? address.path
          : address.kind === 'elsewhere'
            ? address.url.slice(0, 120)
            : nameWithoutFile(kind, raw),
      image: file?.sha256 ? `/s/${slug}/image/${file.sha256}` : null,
      record: file ? `/s/${slug}/pictures/${file.id}` : null,
      swap: file?.sha256 ? `/s/${slug}/pictures/${file.id}/swap` : null,
      desk: onWords ? `/s/${slug}/text-desk?rule=${onWords.rule}&from=e${onWords.placement_id}` : null,
      facts: [kindText(kind, isSheet), slotText(declared), where].filter(Boolean).join(' · '),
      alt,
      caption,
      wrong,
      degree: gravest(wrong),
    };
  });
}

function wrongOf({ rule, degree, evidence }: PlaceErratum): Wrong {
  const text = ruleText(rule);
  return { degree, head: text?.title ?? rule, why: evidence, remedy: text?.remedy ?? '' };
}

function wrongWith(placement: Placement, file: FileOfPage | undefined): readonly Wrong[] {
  const wrong: Wrong[] = [];
  if (placement.address.kind === 'site' && file && !file.sha256) {
    const near = file.near_path;
    wrong.push({
      ...{ degree: 'must', remedy: '' },
      head: 'the file is missing',
      why: near
        ? `There is ${near}, whose name differs in its letters only. Most servers tell such names apart.`
        : 'Readers see a gap here.',
    });
  }
  if (
    TAKES_OWN_WORDS.includes(placement.kind) &&
    (placement.alt === null || !mayBeDecoration(placement)) &&
    placement.name === '' &&
    !placement.decorative
  ) {
    wrong.push({
      ...{ degree: 'must', remedy: '' },
      head: 'no alt text',
      why: 'A screen reader can only say that there is a picture, or spell its file name.',
    });
  }
  if (placement.dormant)
    wrong.push({
      ...{ degree: 'note', remedy: '' },
      head: 'a style that meets nothing',
      why: 'No element of this page is met by its rule.',
    });
  return wrong;
}
