export {
  findScope,
  openedBy,
  type AirCause,
  type BleederFinding,
  type BleederWhy,
  type ScopeFinding,
  type Unmet,
} from './finding';
export {
  ASKS,
  asksOf,
  comesSinking,
  complains,
  isSoft,
  purposeOf,
  renewsToo,
  withAsk,
  workAsked,
  type Ask,
} from './asks';
export { changeableParts, newElements, partsAsOne } from './parts';
export { partnerAdvice, type PartnerAdvice, type PartnerAge } from './partners';
export {
  LOWEST_LEVEL_MM,
  ODOMETER_KM,
  PURPOSES,
  routineFlush,
  ALSO,
  BENCH_ENDS,
  SEEN_AT_INTAKE,
  type Also,
  type FoundAtIntake,
  type SeenAtIntake,
  type BenchEnd,
  type MasterChanged,
  type OwedWork,
  type PartChanged,
  type Purpose,
  type WorkDone,
} from './work';
export {
  adviceWords,
  bleederWords,
  nameOf,
  PURPOSE_WORDS,
  purposeWords,
  UNMET_WORDS,
  workTitle,
} from './words';
export { insideAtStart, type InsideFacts } from './insideAtStart';
