export { blockSums, moments, shadeRoom, withoutShade } from './detail';
export { agreement, overlayRoom, slopes } from './overlay';
export { resample, resampleRoom } from './resample';
