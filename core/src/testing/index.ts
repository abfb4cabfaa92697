export { arbitraryLayout } from './arbitraryLayout';
export { countingIds, layoutOf, planOf } from './plans';
