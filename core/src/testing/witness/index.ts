export { history, type Told } from './histories';
export { mulberry32 } from './mulberry32';
