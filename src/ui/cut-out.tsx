import type { DeclaredSlot, PlacementContext } from '@/core/markup/placement';
import type { PlacementKind } from '@/core/markup/kinds/kind';
import { placeText } from './format';
import { kindText, slotText } from './placement-text';

interface CutOutPlacement {
  readonly kind: PlacementKind;
  readonly pagePath: string;
  readonly sourcePath: string;
  readonly alt: string | null;
  readonly caption: string | null;
  readonly dormant: boolean;
  readonly context: PlacementContext;
  readonly declared: DeclaredSlot;
}

interface CutOutProps {
  placement: CutOutPlacement;
  /** Address of the picture, or `null`. */
  src: string | null;
  /** The picture in its slot is drawn by the caller where it is more than the picture itself. */
  children?: React.ReactNode;
}

const WIDE = new Set<PlacementKind>(['css', 'attribute-background']);

/** A piece of a page around one placement: what stands before and after it, and the words that go with it. */
export function CutOut({ placement, src, children }: CutOutProps) {
  const { kind, pagePath, sourcePath, caption, context, declared, dormant } = placement;
  const isSheet = sourcePath !== pagePath;
  const group = context.group ? `, ${context.group.index} of ${context.group.size}` : '';
  const where = [kindText(kind, isSheet) + group, slotText(declared)].filter(Boolean).join(' · ');
  const isWide = WIDE.has(kind);
  return (
    <div className="min-w-0 border border-line bg-sheet p-2.5">
      <p className="truncate text-sm font-semibold" title={pagePath}>
        {dormant ? 'Nowhere: a rule that meets nothing' : placeText(pagePath)}
      </p>
      <p className="line-clamp-2 text-sm text-ink-2">{where}</p>
      <div className={`mt-2 ${isWide ? '' : 'flex gap-2.5'}`}>
        {children ?? (
          <div
            className={`flex shrink-0 items-center justify-center overflow-hidden bg-mat ${isWide ? 'h-14 w-full' : 'h-[74px] w-[88px]'}`}
          >
            {src ? (
              <img
                src={src}
                alt=""
                className={isWide ? 'h-full w-full object-cover' : 'max-h-full max-w-full'}
                loading="lazy"
              />
            ) : (
              <span className="text-sm text-ink-3">no picture</span>
            )}
          </div>
        )}
        <p className="line-clamp-4 min-w-0 font-serif text-sm text-ink">
          {context.headings.length > 0 ? (
            <strong className="block truncate">{context.headings.at(-1)}</strong>
          ) : null}
          {caption ?? (context.after || context.before)}
        </p>
      </div>
    </div>
  );
}
