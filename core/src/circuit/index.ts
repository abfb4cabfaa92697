export type {
  Bleeder,
  Control,
  DriverSide,
  Layout,
  LayoutNode,
  Master,
  MasterChamber,
  Place,
  Reservoir,
  ReservoirChamber,
  Stretch,
  VehicleKind,
} from './layout';
export { isActuator, validateLayout, type LayoutFault } from './validateLayout';
export { RANGES, rangeFault, type Range } from './ranges';
export { nodeVolumeMl, paths, type Path, type PathPoint } from './path';
export { tubeVolumeMl } from './tubeVolume';
export { layoutTemplates, templateById, type LayoutTemplate, type TemplateId } from './templates';
