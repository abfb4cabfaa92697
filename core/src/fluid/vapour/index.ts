export {
  brakeHeatW,
  SMALL_CAR,
  SMALL_MOTORCYCLE,
  lastBrakingHeatJ,
  type DescentVehicle,
  type RoadPiece,
} from './descent';
export {
  simulateHeat,
  twoMasses,
  type HeatPhase,
  type HeatPoint,
  type HeatRun,
  type TwoMasses,
} from './brakeHeat';
export { vapourMargin, type VapourAnswer, type VapourRequest } from './vapourMargin';
