import type { PartNeed } from './needs';

/** What somebody found on the part in hand: a number, a thread as read, or whether it is as the old one. */
export type Found = number | string | boolean;

export type NeedVerdict = 'fits' | 'differs' | 'not compared';

/** One need against what was found. */
export function compareNeed(need: PartNeed, found: Found | undefined): NeedVerdict {
  if (
    found === undefined ||
    (typeof found === 'number' && !Number.isFinite(found)) ||
    (typeof found === 'string' && found.trim() === '')
  )
    return 'not compared';
  switch (need.kind) {
    case 'number':
      return typeof found === 'number' &&
        Math.abs(found - need.needed.value) <= need.tolerance + 1e-9
        ? 'fits'
        : 'differs';
    case 'thread':
      return typeof found === 'string' && sameThread(found) === sameThread(need.needed)
        ? 'fits'
        : 'differs';
    case 'as the old one':
      return found === true ? 'fits' : 'differs';
  }
}

/** A thread as it is written by anybody: M10×1, m10 x 1.0 and M10X1 are one. */
function sameThread(text: string): string {
  return text
    .toLowerCase()
    .replace(/\s+/g, '')
    .replace(/[×*]/g, 'x')
    .replace(/,/g, '.')
    .replace(/(\.\d*?)0+(?!\d)/g, '$1')
    .replace(/\.(?!\d)/g, '');
}

/** A piece that goes with a changed part. Common practice, no source: which there are is seen on the part itself. */
export interface Piece {
  /** Size and place in words. */
  readonly what: string;
  readonly count: number;
  /** Comes new and the old one goes, or moves across from the old part. */
  readonly comes: 'new' | 'moves across';
}

export const PIECE_STATES = ['right', 'missing', 'left over', 'old one still there'] as const;
export type PieceState = (typeof PIECE_STATES)[number];
export type CountedPiece = Piece & { readonly state: PieceState };

/** What is wrong with a part that was compared and its pieces counted, in sentences; empty when it may be filled. */
export function partFaults(
  needs: readonly PartNeed[],
  found: Readonly<Record<string, Found>>,
  pieces: readonly CountedPiece[],
): string[] {
  return [
    ...needs.flatMap((need) => {
      const verdict = compareNeed(need, found[need.id]);
      if (verdict === 'fits') return [];
      if (verdict === 'not compared') return [`${need.label}: not compared yet.`];
      const wanted =
        need.kind === 'number'
          ? `${trimmed(need.needed.value)}${need.needed.unit === 'mm' ? ' mm' : ''} is needed, ${trimmed(Number(found[need.id]))} was found`
          : need.kind === 'thread'
            ? `${need.needed} is needed, ${String(found[need.id])} was found`
            : 'not as the old one';
      return [`${need.label}: ${wanted}.`];
    }),
    ...pieces
      .filter((p) => p.state !== 'right')
      .map((p) => `${p.what}: ${PIECE_STATE_WORDS[p.state]}.`),
  ];
}

/** What a count that is not right means. */
export const PIECE_STATE_WORDS: Readonly<Record<PieceState, string>> = {
  right: 'all fitted, none over',
  missing: 'one is missing',
  'left over': 'one is left over: find where it belongs',
  'old one still there': 'the old one is still in its place; two on top of each other leak',
};

const trimmed = (value: number): string => String(Math.round(value * 100) / 100);
