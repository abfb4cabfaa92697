export {
  isNearEnough,
  MOST_SEARCHED,
  NEAR_ENOUGH,
  OrderSearch,
  type SearchState,
} from './bestOrder';
export {
  bandOf,
  compareOrders,
  costSureties,
  leastFluidRow,
  orderCost,
  sameVisits,
  type CostBand,
  type CostReason,
  type CostSurety,
  type IncompleteOrder,
  type OrderCost,
  type OrderRow,
} from './compare';
export {
  bledMl,
  movedMl,
  priceOrder,
  startFluid,
  visitMinutes,
  type OrderPrice,
  type PricedOrder,
} from './price';
export {
  farthestFirst,
  givenOrder,
  isFree,
  ORDER_SCHOOLS,
  schoolOrder,
  type OrderedVisit,
  type OrderId,
  type OrderReason,
  type OrderSchool,
  type OrderSettings,
} from './schools';
export {
  reservoirSetups,
  countAt,
  orderSetup,
  type Beginning,
  type BleederSetup,
  type ReservoirRinse,
  type ReservoirSetup,
  type Count,
  type OrderQuestion,
  type OrderSetup,
  type Reached,
} from './setup';
export { fullStrokeVolume, strokeVolume } from './strokeVolume';
export {
  drawsOff,
  halfMl,
  lookAfterS,
  strokesUntilTopUp,
  topUpLevel,
  type ReservoirLevels,
} from './topUp';
export {
  makeCount,
  SWEEP_PASSES,
  type OrderRefusal,
  type Visit,
  type VisitPrice,
  type VisitTopUp,
} from './visit';

export {
  RESERVOIR_WAYS,
  cheapestWay,
  priceReservoirWay,
  priceReservoirWays,
  rinsesOf,
  type ReservoirWay,
  type ReservoirWayPrice,
  type PricedWay,
} from './reservoirRest';
