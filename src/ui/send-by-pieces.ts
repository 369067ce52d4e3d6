import { Upload } from 'tus-js-client';

/** Waits before a cut line is tried again, in ms. */
const RETRY_MS = [0, 500, 1000, 3000, 5000, 10_000, 20_000, 30_000];

export interface Sent {
  /** Address of uploads (tus 1.0.0). */
  readonly endpoint: string;
  /** Bytes that are sent in one request. */
  readonly pieceBytes: number;
  /** What the server is told of the file. */
  readonly metadata: Readonly<Record<string, string>>;
  /** Address of the upload that was begun with this file before; left out, this machine is asked whether it knows of one. */
  readonly before?: string | null;
}

/**
 * Sends a file by pieces: a cut line is tried again, and what was begun before goes on.
 *
 * @param onSent told how many bytes are there
 * @returns the upload's address
 * @throws Error whose text says why it did not come through
 */
export async function sendByPieces(
  file: File,
  { endpoint, pieceBytes, metadata, before }: Sent,
  onSent: (bytes: number) => void,
): Promise<string> {
  return new Promise((resolve, reject) => {
    const upload = new Upload(file, {
      endpoint,
      uploadUrl: before ?? null,
      chunkSize: pieceBytes,
      retryDelays: RETRY_MS,
      storeFingerprintForResuming: before === undefined,
      removeFingerprintOnSuccess: true,
      metadata: { ...metadata },
      onProgress: onSent,
      onSuccess: () => resolve(upload.url ?? ''),
      onError: (error) => reject(new Error(told(error))),
    });
    if (before !== undefined) return upload.start();
    upload
      .findPreviousUploads()
      .then(([last]) => {
        if (last) upload.resumeFromPreviousUpload(last);
        upload.start();
      })
      .catch(reject);
  });
}

/** What the server said, or that it was not reached. */
function told(error: unknown): string {
  const { originalResponse } = error as { originalResponse?: { getBody(): string } | null };
  return originalResponse?.getBody() || 'The line broke off, and did not come back. Choose the file again: it goes on where it was.'; // oxfmt-ignore
}
