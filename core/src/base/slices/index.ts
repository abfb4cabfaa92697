export { inOneGo, reduceSliced, type Sliced } from './slices';
