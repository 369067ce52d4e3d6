import { ASKED_BY_NAME } from '../../../address/asked-by-name';
import type { FileRule } from '../../rule';

export const unused: FileRule = {
  id: 'file/unused',
  degree: 'note',
  level: 'read',
  title: 'No page shows the file',
  why: 'It takes room, it is found by search engines, and one day somebody uses it though it is long out of date.',
  remedy: 'Take it off with an edition, or say what it is kept for.',
  checkFile: ({ path, uses, sizeBytes }) =>
    uses > 0 || ASKED_BY_NAME.test(path)
      ? null
      : { evidence: `Neither a page nor a style sheet shows it; it weighs ${weight(sizeBytes)}.` },
  examples: [
    {
      file: { path: 'img/old-banner.jpg', uses: 0, sizeBytes: 83_200 },
      evidence: 'Neither a page nor a style sheet shows it; it weighs 83 kB.',
    },
    { file: { path: 'img/hall.jpg', uses: 2, sizeBytes: 83_200 }, evidence: null },
    { file: { path: 'favicon.ico', uses: 0, sizeBytes: 1100 }, evidence: null },
  ],
};

const weight = (bytes: number): string =>
  bytes < 10_000 ? `${bytes} bytes` : `${Math.round(bytes / 1000).toLocaleString('en')} kB`;
