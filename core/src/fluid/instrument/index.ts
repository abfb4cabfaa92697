export {
  INSTRUMENT_KINDS,
  INSTRUMENT_WORDS,
  InstrumentLost,
  instrumentState,
  type Instrument,
  type InstrumentKind,
  type InstrumentPhase,
  type InstrumentState,
  type RawReading,
} from './instrument';
export { standIn, type StandInScript } from './standIn';
