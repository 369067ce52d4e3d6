'use client';

import PQueue from 'p-queue';
import { useCallback, useState } from 'react';
import { CHUNK_BYTES, MAX_INTAKE_BYTES, MAX_ZIP_BYTES } from '@/server/work/intake/intake-limits';
import type { DeliveryView } from '@/app/_data/intake/delivery';
import { sendByPieces } from '@/ui/send-by-pieces';

/** A file that is being sent, as far as this window knows. */
export interface Sending {
  readonly key: string;
  readonly name: string;
  readonly size: number;
  readonly sent: number;
  readonly state: 'waits' | 'sends' | 'arrived' | 'known' | 'failed';
  readonly problem: string | null;
}

/** Files that are sent side by side: more only share the line. */
const SIDE_BY_SIDE = 3;

/** By which the same file is known again, in this window or another. */
const keyOf = (file: File, path: string) => `${path}|${file.name}|${file.size}|${file.lastModified}`;
/** Path of a file within the folder that was dropped, without its own name when it came alone. */
const pathOf = (file: File) => {
  const { path, webkitRelativePath } = file as File & { readonly path?: string };
  const within = (webkitRelativePath || path || '').replace(/^\.?\//u, '');
  return within.includes('/') ? within : '';
};

const problemIn = (file: File): string | null => {
  const isZip = /\.zip$/iu.test(file.name);
  const most = isZip ? MAX_ZIP_BYTES : MAX_INTAKE_BYTES;
  if (file.size === 0) return 'It is empty.';
  if (file.size > most) return `It is larger than ${most / 1024 ** 2} MB.`;
  return null;
};

/**
 * Sends files into the open delivery by pieces. A cut line is tried again; what was begun in a window that is closed goes
 * on when the same file is chosen again.
 *
 * @param onArrived told when files have arrived
 */
export function useUploads(slug: string, onArrived: () => void) {
  const [sendings, setSendings] = useState<readonly Sending[]>([]);
  const [startedAt, setStartedAt] = useState(0);
  const [queue] = useState(() => new PQueue({ concurrency: SIDE_BY_SIDE }));
  const change = useCallback(
    (key: string, more: Partial<Sending>) =>
      setSendings((all) => all.map((one) => (one.key === key ? { ...one, ...more } : one))),
    [],
  );

  const add = useCallback(
    async (files: readonly File[]) => {
      const known = await knownUploads(slug);
      const endpoint = `/s/${slug}/intake/upload`;
      const fresh: Sending[] = [];
      // They begin once they are listed.
      queue.pause();
      for (const file of files) {
        const path = pathOf(file);
        const key = keyOf(file, path);
        const before = known.get(key);
        const refusal = before?.state === 'refused' ? (before.problem?.why ?? 'It was refused.') : null;
        const problem = problemIn(file) ?? refusal;
        const isHere = before !== undefined && before.state !== 'arriving';
        const state = problem ? 'failed' : isHere ? 'known' : 'waits';
        fresh.push({ key, name: path || file.name, size: file.size, sent: 0, state, problem });
        if (state !== 'waits') continue;
        void queue.add(() => {
          change(key, { state: 'sends' });
          const sent = {
            endpoint,
            pieceBytes: CHUNK_BYTES,
            metadata: { filename: file.name, path: path || ' ', fingerprint: key },
            before: before ? `${endpoint}/${before.id}` : null,
          };
          return sendByPieces(file, sent, (bytes) => change(key, { sent: bytes })).then(
            () => {
              change(key, { state: 'arrived', sent: file.size });
              onArrived();
            },
            (error: Error) => change(key, { state: 'failed', problem: error.message }),
          );
        });
      }
      setSendings((all) => [...all.filter(({ key }) => !fresh.some((one) => one.key === key)), ...fresh]);
      setStartedAt((at) => at || Date.now());
      queue.start();
    },
    [slug, change, queue, onArrived],
  );

  const clear = useCallback(() => {
    setSendings((all) => all.filter(({ state }) => state === 'waits' || state === 'sends'));
    setStartedAt(0);
  }, []);
  return { sendings, startedAt, add, clear };
}

/** What the server knows of the open delivery's files already, by the key of each. */
async function knownUploads(slug: string): Promise<Map<string, DeliveryView['uploads'][number]>> {
  const answer = await fetch(`/s/${slug}/intake/lines`, { cache: 'no-store' }).catch(() => null);
  const view = answer?.ok ? ((await answer.json()) as DeliveryView | null) : null;
  return new Map((view?.uploads ?? []).map((row) => [row.fingerprint, row]));
}
