import { numbersIn, type SearchParams } from '@/app/_data/query';
import { siteFrame } from '@/app/_data/frame';
import { revisionView, type RevisionView } from '@/app/_data/revise/revision-view';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { mayEdit } from '@/core/edition/edition-state';
import { Empty } from '@/ui/empty';
import { count } from '@/ui/format';
import { ProblemText } from '@/ui/problem-text';
import { WayBack } from '@/ui/way-back';
import { PictureProof } from './picture-proof';

export const metadata = { title: 'Crop and correct' };

interface RevisePageProps {
  readonly params: Promise<{ slug: string }>;
  /** `line` or `file`: the picture; `swap`: the picture whose swap desk it was opened from. */
  readonly searchParams: SearchParams;
}

export default async function RevisePage({ params, searchParams }: RevisePageProps) {
  const { slug } = await params;
  const site = await siteBySlug(slug);
  const actor = await requireActor();
  const query = await searchParams;
  const [line = null] = numbersIn(query['line']);
  const [file = 0] = numbersIn(query['file']);
  const [swap = null] = numbersIn(query['swap']);
  if (!mayEdit(actor.role)) {
    return (
      <main className="min-h-[calc(100vh-46px)] bg-sheet">
        <h1 className="sr-only">Crop and correct</h1>
        <Empty head="You may look, and correct nothing">
          Pictures are corrected by a maintainer or an owner; you are signed in as {actor.role}.
        </Empty>
      </main>
    );
  }
  const subject = line === null ? { file } : { line };
  const view = await revisionView(site.id, subject, swap);
  const back = backOf(slug, { line, file, swap });
  if ('code' in view) {
    return (
      <main className="min-h-[calc(100vh-46px)] space-y-4 bg-sheet px-5 py-3">
        <h1 className="sr-only">Crop and correct</h1>
        <WayBack {...back}>Crop and correct</WayBack>
        <ProblemText problem={view} />
      </main>
    );
  }
  const { draft } = await siteFrame(site.id);
  const edition = draft ? `edition ${draft.number}` : 'a new edition';
  return (
    <PictureProof
      slug={slug}
      actorId={actor.id}
      subject={subject}
      name={view.name}
      src={`/s/${slug}/image/${view.sha256}?working`}
      original={view.original}
      first={view.revision}
      focal={view.focal}
      places={view.shapes}
      ways={line === null ? waysOfFile(view, edition) : WAYS_OF_LINE}
      back={back}
      swap={swap}
    />
  );
}

const ANOTHER = { as: 'another', text: 'Keep as another picture' } as const;
const WAYS_OF_LINE = [{ as: 'line', text: 'Keep it so' }, ANOTHER] as const;

/** A picture that stands nowhere has no places to follow. */
function waysOfFile({ standing }: RevisionView, edition: string) {
  if (standing === 0) return [ANOTHER];
  return [
    {
      as: 'places',
      text: `Put into ${standing === 1 ? 'its place' : `its ${count(standing, 'place')}`}, in ${edition}`,
    } as const,
    ANOTHER,
  ];
}

interface From {
  readonly line: number | null;
  readonly file: number;
  readonly swap: number | null;
}

function backOf(slug: string, { line, file, swap }: From): { href: string; to: string } {
  if (swap !== null)
    return { href: `/s/${slug}/pictures/${swap}/swap${line === null ? '' : `?with=${line}`}`, to: 'Swap' };
  return line === null ? { href: `/s/${slug}/pictures/${file}`, to: 'Its record' } : { href: `/s/${slug}/intake`, to: 'Intake' }; // oxfmt-ignore
}
