export { CORNERS, NOMINAL, type Assumptions } from './assumptions';
export { CircuitFluid, type CircuitSnapshot } from './circuitFluid';
export { streamtubes, type Streamtubes } from './streamtubes';
export { LaminarSegment } from './laminarSegment';
export { MixedCavity } from './mixedCavity';
export { lineSegments, type LineSegment } from './segments';
export {
  laminarOldInside,
  laminarVolumesFor,
  mixedVolumesFor,
  WASHOUT_SOURCE,
} from './closedForms';
