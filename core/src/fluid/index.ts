export { CHEMISTRY, GRADES, type Chemistry, type Grade } from './grades';
export { CLARITIES, COLOURS, FOREIGN_SIGNS, type Clarity, type Colour, type FluidSeen, type ForeignSign } from './looks';
export { fillVerdict, WATER_NOW_PERCENT, WATER_THIS_VISIT_PERCENT, type FillVerdict, type FluidReason, type FluidReasonCode } from './fillVerdict';
export { FLUID_WORDS } from './words';
export { waterFault } from './checkWater';
