export { blockSums, moments, shadeRoom, withoutShade } from './detail';
export { frequencies } from './frequencies';
export { agreement, layOut, overlayRoom, slopes } from './overlay';
export { resample, resampleRoom } from './resample';
export { takeApart } from './taken-apart';
export { boxRoom, cellMeans, cellRoom, hashWindows, peaks, standOut, sumUp, windowRoom } from './sum-table';
