export { FAULT_ROWS, faultRowsFor, type FaultRow, type FaultSign } from './rows';
