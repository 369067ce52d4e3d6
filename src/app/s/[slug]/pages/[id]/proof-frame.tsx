'use client';

import { useEffect, useRef, useState } from 'react';
import type { Degree } from '@/core/errata/rule';

export interface Measured {
  /** Height of the whole page in CSS pixels. */
  readonly height: number;
  readonly places: readonly {
    readonly number: number;
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
    readonly isSeen: boolean;
  }[];
}

interface ProofFrameProps {
  label: string;
  src: string;
  width: 'desktop' | 'phone';
  /** Number of the place that is pointed out; 0 for none. */
  chosen: number;
  /** How grave what is wrong at a place is, by its number. */
  degrees?: Readonly<Record<number, Degree>>;
  onMeasured?: (measured: Measured) => void;
  onScale?: (scale: number) => void;
  onChosen?: (number: number) => void;
}

/** CSS pixels of the readers' windows: a usual laptop and a usual phone. */
const FRAME_PX = { desktop: 1280, phone: 390 } as const;
/** Pages are shown whole up to this height; beyond it they scroll in their frame. */
const MAX_HEIGHT = 30_000;

const NONE_WRONG: Readonly<Record<number, Degree>> = {};

/** A page in its sandbox, at a reader's width, made smaller to fit. */
export function ProofFrame(props: ProofFrameProps) {
  const { label, src, width, chosen, degrees = NONE_WRONG, onMeasured, onScale, onChosen } = props;
  const box = useRef<HTMLDivElement>(null);
  const frame = useRef<HTMLIFrameElement>(null);
  const [room, setRoom] = useState(0);
  const [height, setHeight] = useState(720);
  const own = FRAME_PX[width];
  const scale = room > 0 ? Math.min(1, room / own) : 0.5;

  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const watch = new ResizeObserver(([entry]) => setRoom(entry?.contentRect.width ?? 0));
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  useEffect(() => onScale?.(scale), [onScale, scale]);
  useEffect(() => {
    const hear = (event: MessageEvent) => {
      const message = event.data as { from?: string; what?: string; height?: number; number?: number } | null;
      if (event.source !== frame.current?.contentWindow || message?.from !== 'ibidem-proof') return;
      if (message.what === 'ready') {
        frame.current?.contentWindow?.postMessage({ to: 'ibidem-proof', chosen, degrees }, '*');
      } else if (message.what === 'measured') {
        const measured = message as unknown as Measured;
        setHeight(Math.min(MAX_HEIGHT, Math.max(200, Number(measured.height) || 0)));
        onMeasured?.(measured);
      } else if (message.what === 'chosen') onChosen?.(Number(message.number) || 0);
    };
    window.addEventListener('message', hear);
    return () => window.removeEventListener('message', hear);
  }, [chosen, degrees, onChosen, onMeasured]);
  useEffect(() => {
    frame.current?.contentWindow?.postMessage({ to: 'ibidem-proof', chosen, degrees }, '*');
  }, [chosen, degrees]);

  return (
    <div ref={box} className="overflow-hidden border border-line bg-sheet" style={{ height: height * scale }}>
      <iframe
        ref={frame}
        title={`${label}: the page as readers see it`}
        src={src}
        sandbox="allow-scripts"
        referrerPolicy="no-referrer"
        className="block origin-top-left border-0 bg-white"
        style={{ width: own, height, transform: `scale(${scale})` }}
      />
    </div>
  );
}
