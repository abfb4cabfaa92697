export {
  ABS_KINDS,
  PLACES,
  SEATS,
  ACROSS_THE_AXLE,
  SIDE_OF_PLACE,
  VALVE_KINDS,
  WAYS_KNOWN,
  WHICH,
  type AbsKind,
  type Actuator,
  type Bleeder,
  type Reservoir,
  type DriverSide,
  type Fitting,
  type FittingSizes,
  type HowKnown,
  type KnownSizes,
  type Layout,
  type LayoutNode,
  type Master,
  type MasterChamber,
  type MayBeKnown,
  type Outlet,
  type Place,
  type Stretch,
  type System,
  type ValveKind,
} from './layout';
export {
  CONTROL_TRAITS,
  hasServo,
  heldOf,
  CONTROLS,
  VEHICLE_KINDS,
  VEHICLE_TRAITS,
  type Control,
  type ControlTraits,
  type VehicleKind,
  type VehicleTraits,
  type Worked,
} from './kinds';
export { bleederName, chambersOf, highestOutletMl, isActuator, sizesOf } from './names';
export {
  changesTheSums,
  findables,
  sizeFault,
  sizeIn,
  sizeValue,
  sizeWords,
  THREAD,
  withSizes,
  type Findable,
  type SizeFound,
} from './sizeFound';
export { howKnown, knownTogether, sizeFigure, withKnown } from './known';
export { partElements, partIdOf, partName } from './onePart';
export {
  endsFor,
  layoutDoubts,
  validateLayout,
  type LayoutDoubt,
  type LayoutFault,
} from './validateLayout';
export { SIZE_FIELDS, sizedThings, type SizedKind, type SizeField } from './fields';
export { RANGES, rangeFault } from './ranges';
export { nodeVolumeMl, paths, type Path, type PathPoint } from './path';
export { bowlOf, rubberIn, type RubberPart } from './rubber';
export { behind, circuitOf, climbsFrom, jointBefore } from './reach';
export { tubeVolumeMl } from './tubeVolume';
export {
  addBleeder,
  addReservoir,
  addChamber,
  addEnd,
  addMaster,
  blankLayout,
  ENDS,
  INSERTS,
  insertInto,
  mirrored,
  moveInto,
  removeElement,
  setFeed,
  setOption,
  setSize,
  setThread,
  type Edited,
  type End,
  type Insert,
} from './edit';
/** The pieces that layouts are written with, each with its usual sizes. */
export * as layoutParts from './usualParts';
