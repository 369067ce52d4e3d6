/**
 * `npm run bench [FOLDER …]`: a JSON line a measure. Folders are sites that nobody here wrote, read beside our own.
 * `BENCH=crawling` (or reading, swapping, boxes, lightening, surveying, stopping, errata, pictures, focus, intake, families, rights, faults, alternatives, browser) measures that alone.
 */
import { benchAlternatives } from './alternatives';
import { benchBoxes } from './boxes';
import { benchBrowser } from './browser';
import { benchCrawling } from './crawling';
import { benchErrata } from './errata';
import { benchFaults } from './faults';
import { benchFamilies } from './families';
import { benchFocus } from './focus';
import { benchIntake } from './intake';
import { benchLightening } from './lightening';
import { benchPictures } from './pictures';
import { benchReading } from './reading';
import { benchSurveying } from './surveying';
import { benchRights } from './rights';
import { summary } from './measure';
import { benchStopping } from './stopping';
import { benchSwapping } from './swapping';

const only = process.env['BENCH'];
const measures = {
  reading: () => benchReading(process.argv.slice(2)),
  swapping: benchSwapping,
  boxes: () => benchBoxes(process.argv.slice(2)),
  lightening: () => benchLightening(process.argv.slice(2)),
  crawling: benchCrawling,
  surveying: benchSurveying,
  stopping: benchStopping,
  errata: benchErrata,
  pictures: () => benchPictures(process.argv.slice(2)),
  focus: () => benchFocus(process.argv.slice(2)),
  intake: benchIntake,
  families: () => benchFamilies(process.argv.slice(2)),
  rights: benchRights,
  faults: benchFaults,
  alternatives: () => benchAlternatives(process.argv.slice(2)),
  browser: benchBrowser,
};
// Rows go to standard output, the sum beside them.
for (const [name, run] of Object.entries(measures)) if (!only || only === name) await run();
process.stderr.write(summary());
