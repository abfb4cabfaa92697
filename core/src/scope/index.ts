export {
  findScope,
  openedBy,
  type AirCause,
  type BleederFinding,
  type BleederWhy,
  type ScopeFinding,
  type Unmet,
} from './finding';
export { behind, circuitOf } from './graph';
export { changeableParts, newElements, partsAsOne } from './parts';
export { partnerAdvice, type PartnerAdvice, type PartnerAge } from './partners';
export {
  LOWEST_LEVEL_MM,
  PURPOSES,
  routineFlush,
  BENCH_ENDS,
  type BenchEnd,
  type MasterChanged,
  type OwedWork,
  type PartChanged,
  type Purpose,
  type WorkDone,
} from './work';
export { adviceWords, bleederWords, nameOf, PURPOSE_WORDS, UNMET_WORDS } from './words';
