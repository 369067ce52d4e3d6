export { blockSums, moments, shadeRoom, withoutShade } from './detail';
export { agreement, layOut, overlayRoom, slopes } from './overlay';
export { resample, resampleRoom } from './resample';
export { boxRoom, cellMeans, cellRoom, hashWindows, peaks, standOut, sumUp, windowRoom } from './sum-table';
