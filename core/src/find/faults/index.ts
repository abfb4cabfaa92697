export {
  FAULT_ROWS,
  faultParts,
  faultRowsFor,
  signsOfFluid,
  type FaultPart,
  type FaultRow,
  type FaultSign,
} from './rows';
