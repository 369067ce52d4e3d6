import { ImageOff } from 'lucide-react';

interface MatProps {
  /** Address of the picture, or `null` where there is none to show. */
  src: string | null;
  alt: string;
  /** Size of the mat in CSS pixels. */
  width: number;
  height: number;
}

/** A picture shown whole on a neutral mat. */
export function Mat({ src, alt, width, height }: MatProps) {
  return (
    <div
      className="flex max-w-full shrink-0 items-center justify-center overflow-hidden bg-mat"
      style={{ width, height }}
    >
      {src ? (
        // The bytes are served by Ibidem itself in the right size: nothing is left for an image optimiser to do.
        <img src={src} alt={alt} className="max-h-full max-w-full object-contain" loading="lazy" />
      ) : (
        <span className="flex flex-col items-center gap-1 text-sm text-ink-3">
          <ImageOff size={20} aria-hidden />
          {alt || 'no picture'}
        </span>
      )}
    </div>
  );
}
