'use client';

import { useEffect, useState } from 'react';
import { drawnIn } from './draw-revision';

/** So many pixels along the long side are drawn from: as many as the proof shows, and some more for cutting. */
const SOURCE_PX = 1000;
/** So many while the light is being moved: about as many as are seen, for a drawing in every frame. */
const QUICK_PX = 600;

interface Source {
  /** `null` while it is on its way. */
  readonly ready: HTMLCanvasElement | null;
  /** The same with fewer pixels. */
  readonly quick: HTMLCanvasElement | null;
  readonly hasFailed: boolean;
}

/** A picture that is loaded to be drawn from: made small once, so that each drawing afterwards is quick. */
export function useSource(src: string): Source {
  const [source, setSource] = useState<Source>({ ready: null, quick: null, hasFailed: false });
  useEffect(() => {
    const image = new Image();
    image.onload = () =>
      setSource({ ready: smaller(image, SOURCE_PX), quick: smaller(image, QUICK_PX), hasFailed: false });
    image.onerror = () => setSource({ ready: null, quick: null, hasFailed: true });
    image.src = src;
    return () => {
      image.onload = null;
      image.onerror = null;
    };
  }, [src]);
  return source;
}

function smaller(image: HTMLImageElement, longest: number): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  const { width, height } = drawnIn({ widthPx: image.naturalWidth, heightPx: image.naturalHeight }, longest);
  canvas.width = width;
  canvas.height = height;
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (context) {
    context.imageSmoothingQuality = 'high';
    context.drawImage(image, 0, 0, width, height);
  }
  return canvas;
}
