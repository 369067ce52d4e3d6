'use client';

import { FolderOpen, Link2, Upload } from 'lucide-react';
import { useEffect, useRef, useState, useTransition } from 'react';
import { useDropzone } from 'react-dropzone';
import type { Problem } from '@/core/problem';
import { MAX_INTAKE_BYTES, MAX_ZIP_BYTES } from '@/server/work/intake/intake-limits';
import { Button } from '@/ui/button';
import { keepingSubmit } from '@/ui/keeping-submit';
import { ProblemText } from '@/ui/problem-text';
import { fetchFrom } from './actions';

interface DropPlaceProps {
  slug: string;
  onFiles: (files: readonly File[]) => void;
  onFetched: () => void;
}

const MB = 1024 ** 2;

/** The ways in: files, folders and ZIPs dropped anywhere on the sheet or chosen, a picture pasted, an address. */
export function DropPlace({ slug, onFiles, onFetched }: DropPlaceProps) {
  const folder = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isFetching, startFetching] = useTransition();
  const { getRootProps, getInputProps, open, isDragActive } = useDropzone({
    onDrop: (files) => onFiles(files),
    noClick: true,
    noKeyboard: true,
    useFsAccessApi: false,
  });
  useEffect(() => {
    const paste = (event: ClipboardEvent) => {
      const files = [...(event.clipboardData?.files ?? [])];
      if (files.length > 0) onFiles(files.map(named));
    };
    window.addEventListener('paste', paste);
    return () => window.removeEventListener('paste', paste);
  }, [onFiles]);
  const fetchIt = (form: FormData) => {
    setProblem(null);
    startFetching(async () => {
      const outcome = await fetchFrom(slug, String(form.get('address') ?? '').trim());
      if (outcome.ok) onFetched();
      else setProblem(outcome.problem);
    });
  };
  return (
    <div
      {...getRootProps()}
      className={`border-b border-line px-5 py-3 ${isDragActive ? 'bg-tint outline-2 -outline-offset-4 outline-green outline-dashed' : ''}`}
    >
      <input {...getInputProps({ 'aria-label': 'Pictures to bring in', accept: 'image/*,.zip' })} />
      <input
        ref={folder}
        type="file"
        multiple
        className="sr-only"
        tabIndex={-1}
        aria-label="A folder of pictures"
        {...{ webkitdirectory: '' }}
        onChange={(event) => {
          onFiles([...(event.target.files ?? [])].filter(({ name }) => !name.startsWith('.')));
          event.target.value = '';
        }}
      />
      <div className="flex flex-wrap items-center gap-2">
        <p className="mr-1 font-serif text-lg">
          {isDragActive ? 'Let go, and they come in.' : 'Drop pictures, folders or ZIPs here'}
        </p>
        <Button weight="main" onClick={open}>
          <Upload size={15} aria-hidden /> Choose pictures
        </Button>
        <Button weight="quiet" onClick={() => folder.current?.click()}>
          <FolderOpen size={15} aria-hidden /> A folder
        </Button>
        <form onSubmit={keepingSubmit(fetchIt)} className="flex min-w-64 flex-1 items-center gap-2">
          <label className="sr-only" htmlFor="address">
            Address of a picture
          </label>
          <input
            id="address"
            name="address"
            type="url"
            required
            placeholder="or the address of a picture, https://…"
            className="w-full rounded-sm border border-ink-3 bg-sheet px-2.5 py-1.5"
          />
          <Button weight="quiet" type="submit" disabled={isFetching}>
            <Link2 size={15} aria-hidden /> {isFetching ? 'Fetching …' : 'Fetch'}
          </Button>
        </form>
      </div>
      <p className="mt-1.5 text-sm text-ink-2">
        JPEG, PNG, WebP, AVIF, HEIC, GIF, SVG or TIFF up to {MAX_INTAKE_BYTES / MB} MB each, ZIPs up to{' '}
        {MAX_ZIP_BYTES / MB / 1024} GB; as many as you like, they go one after another. A picture on the
        clipboard can be pasted. The files stay as they come.
      </p>
      {problem ? (
        <div className="mt-2">
          <ProblemText problem={problem} />
        </div>
      ) : null}
    </div>
  );
}

/** What is pasted has no name of its own. */
function named(file: File): File {
  if (file.name !== 'image.png') return file;
  const moment = new Date(file.lastModified).toISOString().slice(0, 19).replaceAll(/[T:]/gu, '-');
  return new File([file], `pasted ${moment}.png`, { type: file.type, lastModified: file.lastModified });
}
