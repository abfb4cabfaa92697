export { capital, lowerFirst } from './capital';
export { counted } from './counted';
