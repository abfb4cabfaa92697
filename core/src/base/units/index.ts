export { inRange, rangeWords, type Range } from './range';
export { convertVolume, ML_PER, type VolumeUnit } from './volume';
export { inOtherUnit } from './pair';
export { convertTorque, NM_PER, type TorqueUnit } from './torque';
export { convertLength, MM_PER, type LengthUnit } from './length';
export { convertTemperature, type TemperatureUnit } from './temperature';
export { convertPressure, KPA_PER, type PressureUnit } from './pressure';
export {
  fromChosen,
  inUnits,
  isConverted,
  METRIC,
  numberIn,
  UNIT_CHOICES,
  unitIn,
  type Quantity,
  type UnitChoice,
} from './chosen';
