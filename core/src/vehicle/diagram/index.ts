export {
  brookGeometry,
  MARK_RADIUS,
  pathData,
  type BrookGeometry,
  type DrawnBleeder,
  type DrawnStretch,
  type Point,
} from './geometry';
