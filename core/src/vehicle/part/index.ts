export {
  BESIDE,
  compareNeed,
  foundAsGuessed,
  measuredBy,
  partFaults,
  PIECE_STATE_WORDS,
  PIECE_STATES,
  sizesOfPart,
  type Beside,
  type CountedPiece,
  type Found,
  type Measured,
  type NeedVerdict,
  type Piece,
  type PieceState,
} from './compare';
export { partNeeds, type PartNeed } from './needs';
export { PIECE_COUNT, usualPieces } from './pieces';
