export {
  admitContainer,
  OPEN_DAYS,
  OPEN_RULES,
  REST_HOURS,
  type AdmitAnswer,
  type AdmitCode,
  type AdmitReason,
  type OpenRule,
  type ShelfContainer,
} from './admit';
export { balanceGap, type BalanceGap, type ReservoirLevel } from './balanceGap';
export { containerInHand } from './containerInHand';
export { pickFromShelf, type ShelfPick } from './pickFromShelf';
export { sharePoured, type PouredShare } from './sharePoured';
export { lowStock, type LowStock } from './lowStock';
export { fluidBalance, MOVED_ML, type FluidBalance, type FluidMoved } from './fluidBalance';
export { ADMIT_WORDS } from './words';
