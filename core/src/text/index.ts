export { capital, lowerFirst } from './capital';
