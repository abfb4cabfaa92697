export { arbitraryLayout } from './arbitraryLayout';
export { countingIds, layoutOf, planOf } from './plans';
export { after, eventFault, jobOf, kept, logFrom, NOBODY_LOOKED, runOf, type Said } from './runs';
