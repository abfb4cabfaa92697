export { admitContainer, OPEN_DAYS, OPEN_RULES, REST_HOURS, type AdmitAnswer, type AdmitCode, type AdmitReason, type OpenRule, type ShelfContainer } from './admit';
export { pickFromShelf, type ShelfPick } from './pickFromShelf';
export { fluidBalance, type FluidBalance, type FluidMoved } from './fluidBalance';
