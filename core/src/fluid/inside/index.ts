export {
  chamberVolumeMl,
  fullOf,
  merged,
  newShareOf,
  oldMl,
  pocketsOf,
  portions,
  scaled,
  toFillMl,
  volumeMl,
  volumesMl,
  type Content,
  type Inside,
  type Lot,
  type Portion,
} from './content';
export { emptied, emptiesOf, emptyOnWayMl, swallow, wayTo, type Empties } from './empties';
export { carriedOver } from './carry';
export {
  CHANGED_SHARE,
  changedBy,
  fillsInside,
  oldestPart,
  partAges,
  type KnownLot,
  type PartAge,
} from './age';
