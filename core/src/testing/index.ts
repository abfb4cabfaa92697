export { SEEN_ALONE } from './fluids';
export { arbitraryLayout } from './arbitraryLayout';
export { newShares } from './inside';
export {
  afterWork,
  allMasters,
  cappedPart,
  carefulMaster,
  countingIds,
  EVERYTHING,
  layoutOf,
  planned,
  planOf,
  requestOf,
} from './plans';
export {
  after,
  eventFault,
  gateOn,
  knownEvents,
  jobOf,
  loggedEvent,
  logFrom,
  NOBODY_LOOKED,
  placed,
  runOf,
  type LooseEvent,
} from './runs';
export { normalNoise } from './pedal';
export { DRAWINGS, type Drawing } from './drawings';
