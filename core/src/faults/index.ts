export { FAULT_ROWS, faultRowsFor, signsOfFluid, type FaultRow, type FaultSign } from './rows';
