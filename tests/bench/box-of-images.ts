/** Where a browser lays out the images of a page. */
import { pathToFileURL } from 'node:url';
import type { Page } from '@playwright/test';

/** An `img` in CSS pixels from the top left of the page. */
export interface Box {
  readonly file: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly isLoaded: boolean;
}

/** How far two boxes are from each other at the side where they differ most. */
export const apart = (a: Box, b: Box): number =>
  Math.max(Math.abs(a.x - b.x), Math.abs(a.y - b.y), Math.abs(a.width - b.width), Math.abs(a.height - b.height)); // oxfmt-ignore

/** The box of every `img` of a page, in page order. */
export async function boxes(page: Page, file: string): Promise<Box[]> {
  await page.goto(pathToFileURL(file).href, { waitUntil: 'load' });
  return page.evaluate(() =>
    [...document.querySelectorAll('img')].map((img) => {
      const { x, y, width, height } = img.getBoundingClientRect();
      const file = decodeURIComponent(new URL(img.currentSrc || img.src).pathname.split('/').at(-1) ?? '');
      return { file, x, y, width, height, isLoaded: img.complete && img.naturalWidth > 0 };
    }),
  );
}
