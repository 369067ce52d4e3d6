import type { FileOfPage } from '@/app/_data/pages/pages';
import { mayBeDecoration } from '@/core/errata/alt-branch';
import { TAKES_OWN_WORDS } from '@/core/errata/page-to-check';
import type { Placement } from '@/core/markup/placement';
import { kindText, nameWithoutFile, slotText } from '@/ui/placement-text';

export interface ProofNote {
  readonly number: number;
  readonly name: string;
  /** Address of the small picture, or `null`. */
  readonly image: string | null;
  /** Addresses of the picture's record and of its swap; `null` for what is no file of the site. */
  readonly record: string | null;
  readonly swap: string | null;
  readonly facts: string;
  readonly alt: string | null;
  readonly caption: string | null;
  readonly wrong: readonly { readonly head: string; readonly why: string }[];
}

/** What the margin says of each place of a page, numbered as the proof numbers them. */
export function proofNotes(
  placements: readonly Placement[],
  { slug, files }: { readonly slug: string; readonly files: ReadonlyMap<string, FileOfPage> },
): ProofNote[] {
  return placements.map((placement, i) => {
    const { address, kind, raw, source, page, declared, line, alt, caption } = placement;
    const file = address.kind === 'site' ? files.get(address.path) : undefined;
    const isSheet = source !== page;
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
      facts: [kindText(kind, isSheet), slotText(declared), where].filter(Boolean).join(' · '),
      alt,
      caption,
      wrong: wrongWith(placement, file),
    };
  });
}

function wrongWith(placement: Placement, file: FileOfPage | undefined): ProofNote['wrong'] {
  const wrong: { head: string; why: string }[] = [];
  if (placement.address.kind === 'site' && file && !file.sha256) {
    const near = file.near_path;
    wrong.push({
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
      head: 'no alt text',
      why: 'A screen reader can only say that there is a picture, or spell its file name.',
    });
  }
  if (placement.dormant)
    wrong.push({ head: 'a style that meets nothing', why: 'No element of this page is met by its rule.' });
  return wrong;
}
