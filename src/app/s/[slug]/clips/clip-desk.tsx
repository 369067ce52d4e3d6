'use client';

import { useEffect, useState, useTransition } from 'react';
import type { ClipPlaceRow } from '@/app/_data/pages/clips';
import type { Problem } from '@/core/problem';
import { CLIP_HEAD_BYTES, clipOfBytes, typeAt, whyNotAt, type Clip } from '@/core/swap/clip';
import { CHUNK_BYTES } from '@/server/work/intake/intake-limits';
import { Button } from '@/ui/button';
import { useCloseWarning } from '@/ui/close-warning';
import { bytesText, count, placeText } from '@/ui/format';
import { Link } from '@/ui/link';
import { OldFile } from '@/ui/old-file';
import { Player } from '@/ui/player';
import { ProgressBar } from '@/ui/progress-bar';
import { ProblemText } from '@/ui/problem-text';
import { sendByPieces } from '@/ui/send-by-pieces';
import { putClip } from './actions';

interface ClipDeskProps {
  slug: string;
  path: string;
  places: readonly ClipPlaceRow[];
  mayGather: boolean;
  /** Whether whoever looks may take files off the site. */
  mayTakeOff: boolean;
  editionText: string;
  /** Largest file that is taken, in MB of 1,048,576 bytes. */
  mostMb: number;
}

interface Chosen {
  readonly file: File;
  readonly url: string;
  /** `null` where it is none that browsers play. */
  readonly clip: Clip | null;
}

/** Another clip for the places of one: chosen, played, and put into those that can play it. */
export function ClipDesk({ slug, path, places, mayGather, mayTakeOff, editionText, mostMb }: ClipDeskProps) {
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  const [sent, setSent] = useState(0);
  const [isOldOff, setOldOff] = useState(false);
  useCloseWarning(isBusy);
  useEffect(() => () => (chosen ? URL.revokeObjectURL(chosen.url) : undefined), [chosen]);
  const choose = async (file: File | undefined) => {
    setProblem(null);
    if (!file) return setChosen(null);
    const head = new Uint8Array(await file.slice(0, CLIP_HEAD_BYTES).arrayBuffer());
    setChosen({ file, url: URL.createObjectURL(file), clip: await clipOfBytes(head) });
  };
  const whyNot = (place: ClipPlaceRow) => (chosen?.clip ? whyNotAt(place, chosen.clip) : null);
  const going = places.filter((place) => !left.has(place.id) && whyNot(place) === null);
  const isAll = going.length === places.length;
  const toggle = (id: number) => {
    const next = new Set(left);
    if (!next.delete(id)) next.add(id);
    setLeft(next);
  };
  const put = () => {
    if (!chosen) return;
    setProblem(null);
    start(async () => {
      const ids = going.map(({ id }) => id);
      const upload = await sendClip(slug, chosen.file, setSent).catch((error: Error) => notSent(chosen.file, error)); // oxfmt-ignore
      const isOldTakenOff = isOldOff && isAll;
      setProblem(
        typeof upload === 'string'
          ? await putClip(slug, path, ids, { uploadId: upload, isOldTakenOff })
          : upload,
      );
      setSent(0);
    });
  };
  const isTooLarge = chosen !== null && chosen.file.size > mostMb * 1024 ** 2;
  return (
    <section aria-label="Another in its place">
      <h2 className="text-lg font-semibold">Put another in its place</h2>
      {mayGather ? (
        <div className="mt-2">
          <label className="block text-sm text-ink-2" htmlFor="clip">
            The new file: MP4, WebM, Ogg, MP3, M4A, WAV or FLAC, up to {mostMb} MB. It is put in as it is.
          </label>
          <input
            id="clip"
            type="file"
            accept="video/*,audio/*"
            className="mt-1 w-full rounded-sm border border-ink-3 bg-sheet px-2.5 py-1.5"
            onChange={(event) => void choose(event.target.files?.[0])}
          />
          {chosen ? (
            <ChosenClip chosen={chosen} kind={places[0]?.kind ?? 'video'} isTooLarge={isTooLarge} />
          ) : null}
        </div>
      ) : (
        <p className="mt-2 text-ink-2">Putting another in takes a maintainer or an owner.</p>
      )}
      <h3 className="mt-5 font-semibold">{count(places.length, 'place')}</h3>
      <ul className="mt-1 border-t border-line">
        {places.map((place) => (
          <PlaceLine
            key={place.id}
            slug={slug}
            place={place}
            whyNot={whyNot(place)}
            becomes={chosen?.clip ? typeAt(place, chosen.clip) : null}
            isChosen={!left.has(place.id)}
            onToggle={mayGather ? () => toggle(place.id) : null}
          />
        ))}
      </ul>
      {mayTakeOff && chosen?.clip ? (
        <div className="mt-4">
          <OldFile isOn={isOldOff && isAll} isAll={isAll} onChange={setOldOff} />
        </div>
      ) : null}
      {mayGather ? (
        <p className="mt-4 flex items-center gap-3">
          <Button
            weight="main"
            disabled={isBusy || !chosen?.clip || isTooLarge || going.length === 0}
            onClick={put}
          >
            {isBusy ? 'Being sent …' : `Put into ${editionText}`}
          </Button>
          <span className="text-ink-2" role="status">
            {chosen && isBusy
              ? `${bytesText(sent)} of ${bytesText(chosen.file.size)} sent`
              : chosen
                ? `${count(going.length, 'place')} get it; the old file ${isOldOff && isAll ? 'goes' : 'stays where it is'}`
                : 'Choose the new file first.'}
          </span>
        </p>
      ) : null}
      {chosen && isBusy ? <ProgressBar label="How much is sent" done={sent} all={chosen.file.size} /> : null}
      {problem ? (
        <div className="mt-3">
          <ProblemText problem={problem} />
        </div>
      ) : null}
    </section>
  );
}

/** By pieces; what was begun in a window that is closed goes on when the same file is chosen again. */
async function sendClip(slug: string, file: File, onSent: (bytes: number) => void): Promise<string> {
  const fingerprint = `${file.name}|${file.size}|${file.lastModified}`;
  const metadata = { filename: file.name, path: ' ', fingerprint };
  const sent = { endpoint: `/s/${slug}/clips/upload`, pieceBytes: CHUNK_BYTES, metadata };
  const address = await sendByPieces(file, sent, onSent);
  return address.split('/').at(-1) ?? '';
}

const notSent = (file: File, { message }: Error): Problem => ({
  code: 'CLIP_NOT_SENT',
  what: `“${file.name}” was not sent.`,
  why: message,
  remedy: 'Press again: it goes on where it was.',
});

function ChosenClip({
  chosen,
  kind,
  isTooLarge,
}: {
  chosen: Chosen;
  kind: 'video' | 'audio';
  isTooLarge: boolean;
}) {
  const { file, url, clip } = chosen;
  return (
    <div className="mt-3 max-w-[420px]" role="status">
      {clip ? (
        <>
          <Player kind={kind} src={url} label={`The new one: ${file.name}`} isLengthKnown />
          <p className="mt-1 text-sm text-ink-2">
            {clip.format.toUpperCase()}, {bytesText(file.size)}. Play it once: what can’t be played here,
            readers may not be able to play either.
          </p>
        </>
      ) : (
        <p className="text-sm text-must">
          “{file.name}” is none that every browser plays. Export it anew, a film as MP4 and a sound as MP3.
        </p>
      )}
      {isTooLarge ? (
        <p className="text-sm text-must">It is larger than what is taken. Export it shorter or smaller.</p>
      ) : null}
    </div>
  );
}

interface PlaceLineProps {
  slug: string;
  place: ClipPlaceRow;
  whyNot: string | null;
  /** The media type that is written there, where another is named. */
  becomes: string | null;
  isChosen: boolean;
  onToggle: (() => void) | null;
}

function PlaceLine({ slug, place, whyNot, becomes, isChosen, onToggle }: PlaceLineProps) {
  return (
    <li className="flex gap-3 border-b border-line-2 py-2">
      <input
        type="checkbox"
        aria-label={`Put it in on ${place.page}`}
        className="mt-1 size-4 accent-[var(--green)]"
        checked={isChosen && whyNot === null}
        disabled={onToggle === null || whyNot !== null}
        onChange={() => onToggle?.()}
      />
      <div className="min-w-0">
        <Link href={`/s/${slug}/pages/${place.pageId}`} className="font-semibold text-green">
          {placeText(place.page)}
        </Link>{' '}
        <span className="text-sm text-ink-2">
          line {place.line}
          {place.heading ? ` · ${place.heading}` : ''}
          {place.caption ? ` · ${place.caption}` : ''}
        </span>
        {whyNot ? <p className="text-sm text-should">This place {whyNot}.</p> : null}
        {becomes && !whyNot ? (
          <p className="text-sm text-ink-2">
            The page names its type, {place.type}: {becomes} is written instead.
          </p>
        ) : null}
        {place.others.length > 0 ? (
          <p className="text-sm text-should">
            The same player offers {place.others.map((other) => other.split('/').at(-1)).join(' and ')} too,
            and plays the first that the browser can: swap {place.others.length === 1 ? 'that one' : 'those'}{' '}
            as well, or some readers keep the old one.
          </p>
        ) : null}
      </div>
    </li>
  );
}
