/** `npm run bench [FOLDER …]`: a JSON line a measure. Folders are sites that nobody here wrote, read beside our own. */
import { benchReading } from './reading';
import { benchSurveying } from './surveying';
import { benchSwapping } from './swapping';

await benchReading(process.argv.slice(2));
await benchSwapping();
await benchSurveying();
