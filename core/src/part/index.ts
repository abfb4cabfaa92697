export {
  compareNeed,
  partFaults,
  PIECE_STATE_WORDS,
  PIECE_STATES,
  type CountedPiece,
  type Found,
  type NeedVerdict,
  type Piece,
  type PieceState,
} from './compare';
export { partNeeds, type PartNeed } from './needs';
export { PIECE_COUNT, usualPieces } from './pieces';
