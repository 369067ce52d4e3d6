import type { Link as FamilyLink } from '@/core/picture/judge';
import { bytesText, count, pixelsText } from '@/ui/format';
import { Link } from '@/ui/link';
import { Mat } from '@/ui/mat';
import { ApartButton } from './apart-button';

interface FamilyFile {
  readonly id: number;
  readonly path: string;
  readonly sha256: string | null;
  readonly widthPx: number | null;
  readonly heightPx: number | null;
  readonly sizeBytes: number | null;
  readonly isMaster: boolean;
  readonly link: FamilyLink | null;
  readonly places: number;
}

interface FamilyProps {
  slug: string;
  files: readonly FamilyFile[];
  mayCorrect: boolean;
}

/** All files of a picture: what each shows of the one that stands for them, and how large it is. */
export function Family({ slug, files, mayCorrect }: FamilyProps) {
  const [master] = files;
  if (!master) return null;
  return (
    <section>
      <h2 className="mt-6 border-b border-line pb-1 text-lg font-semibold">
        {count(files.length, 'file')} of this picture
      </h2>
      <ul>
        {files.map((file) => (
          <li key={file.id} className="flex items-center gap-4 border-b border-line-2 py-2.5">
            <Drawn src={master.sha256 ? `/s/${slug}/image/${master.sha256}` : null} link={file.link} />
            <div className="min-w-0 flex-1">
              <Link
                href={`/s/${slug}/pictures/${file.id}`}
                className="block truncate font-semibold"
                title={file.path}
              >
                {file.path}
              </Link>
              <p className="text-sm text-ink-2">
                {pixelsText(file.widthPx, file.heightPx)}
                {file.sizeBytes === null ? '' : ` · ${bytesText(file.sizeBytes)}`} ·{' '}
                {count(file.places, 'place')}
              </p>
              <p className="text-sm text-ink-2">{shownText(file, master)}</p>
            </div>
            {mayCorrect && file.sha256 && master.sha256 && file.sha256 !== master.sha256 ? (
              <ApartButton slug={slug} a={master.sha256} b={file.sha256} name={file.path} />
            ) : null}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The picture small, with the part that a file shows of it in a frame. */
function Drawn({ src, link }: { src: string | null; link: FamilyLink | null }) {
  const { left, top, width, height } = link?.other ?? { left: 0, top: 0, width: 1, height: 1 };
  const isPart = width < 0.995 || height < 0.995;
  if (!src) return <Mat src={null} alt="" width={112} height={76} />;
  return (
    <div className="flex h-[76px] w-[112px] shrink-0 items-center justify-center bg-mat">
      <div className="relative max-h-full max-w-full">
        <img src={src} alt="" className={`max-h-[76px] max-w-[112px] ${isPart ? 'opacity-45' : ''}`} />
        {isPart ? (
          <svg
            viewBox="0 0 100 100"
            preserveAspectRatio="none"
            className="absolute inset-0 size-full"
            aria-hidden
          >
            <rect
              x={left * 100}
              y={top * 100}
              width={width * 100}
              height={height * 100}
              className="fill-green/20 stroke-green"
              strokeWidth={2}
              vectorEffect="non-scaling-stroke"
            />
          </svg>
        ) : null}
      </div>
    </div>
  );
}

function shownText(file: FamilyFile, master: FamilyFile): string {
  if (file.isMaster && file.id === master.id) return 'The largest: it stands for all of them.';
  if (file.sha256 === master.sha256) return 'The same bytes under another name.';
  if (!file.link) return 'Put here by hand.';
  const { kind, isMirrored, other } = file.link;
  const across = file.widthPx && master.widthPx ? file.widthPx / (other.width * master.widthPx) : null;
  const scale = across === null ? '' : `, at ${Math.round(across * 100)} % of its size`;
  const words = [];
  if (kind === 'over') words.push(`The whole with something laid over it${scale}`);
  else if (other.width * other.height > 0.99) words.push(`The whole${scale}`);
  else words.push(`Cut to ${Math.round(other.width * other.height * 100)} % of it${scale}`);
  if (isMirrored) words.push('mirrored left to right');
  return `${words.join(', ')}.`;
}
