import type { SizeFound } from '../circuit';
import type { PartNeed } from './needs';

/** A number on the new part, on the old one and by the maker; null where nobody can say. */
export interface Measured {
  readonly newPart: number;
  readonly oldPart: number | null;
  readonly maker: number | null;
}

/** How something that is on no part can be right: by the maker's figure, or as an old one that is known to have worked. */
export const BESIDE = ['by the maker', 'as the old one', 'not so'] as const;
export type Beside = (typeof BESIDE)[number];

/**
 * What somebody found on the part in hand: a number as measured, a thread as
 * read, an answer, or how it lies beside the old one. Logs of old hold a bare
 * number, taken against the layout, and true or false for the last.
 */
export type Found = Measured | Beside | number | string | boolean;

export type NeedVerdict = 'fits' | 'differs' | 'not compared';

/**
 * One need against what was found. The maker's figure decides, else the old
 * part's; with neither nothing was compared.
 */
export function compareNeed(need: PartNeed, found: Found | undefined): NeedVerdict {
  if (found === undefined || (typeof found === 'string' && found.trim() === ''))
    return 'not compared';
  switch (need.kind) {
    case 'number': {
      if (typeof found === 'string' || typeof found === 'boolean') return 'differs';
      const [value, wanted] =
        typeof found === 'number'
          ? [found, need.guess.value]
          : [found.newPart, found.maker ?? found.oldPart];
      if (wanted === null || !Number.isFinite(value) || !Number.isFinite(wanted))
        return 'not compared';
      return verdict(isNear(need, value, wanted));
    }
    case 'thread':
      return verdict(typeof found === 'string' && sameThread(found) === sameThread(need.needed));
    case 'question':
      return verdict(found === true);
    case 'as the old one':
      return verdict(found === true || found === 'by the maker' || found === 'as the old one');
  }
}

/** Whether two numbers are the same within what can be measured. */
const isNear = (
  { tolerance: { by, share } }: Extract<PartNeed, { kind: 'number' }>,
  value: number,
  wanted: number,
): boolean => Math.abs(value - wanted) <= by + share * wanted + 1e-9;

const verdict = (fits: boolean): NeedVerdict => (fits ? 'fits' : 'differs');

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
  const older = ofOlderRules(found);
  return [
    ...needs.flatMap((need) => {
      const of = found[need.id];
      if (older && (of === undefined || (need.kind === 'question' && typeof of === 'string')))
        return [];
      const so = compareNeed(need, of);
      if (so === 'fits') return [];
      return [
        so === 'not compared' || of === undefined
          ? `${need.label}: not compared yet.`
          : `${need.label}: ${differs(need, of)}.`,
      ];
    }),
    ...pieces
      .filter((p) => p.state !== 'right')
      .map((p) => `${p.what}: ${PIECE_STATE_WORDS[p.state]}.`),
  ];
}

/** A log of older rules holds bare numbers, and threads where a question stands now; what those rules did not ask is not missing. */
const ofOlderRules = (found: Readonly<Record<string, Found>>): boolean =>
  Object.values(found).some((f) => typeof f === 'number');

function differs(need: PartNeed, found: Found): string {
  if (need.kind === 'thread') return `${need.needed} is needed, ${String(found)} was found`;
  if (need.kind === 'question') return 'no';
  if (need.kind === 'as the old one') return 'neither as the old one nor by the maker';
  return typeof found === 'object'
    ? `${trimmed(found.newPart)} measured, ${wantedWords(need, found)}`
    : `${inUnit(need, need.guess.value)} is needed, ${String(found)} was found`;
}

const wantedWords = (need: PartNeed, { maker, oldPart }: Measured): string =>
  maker === null
    ? `the old one has ${inUnit(need, oldPart!)}`
    : `${inUnit(need, maker)} by the maker`;

/** By what a part that fits was measured, in short sentences for the record; where the maker's figure decided against the old one, that too. */
export function measuredBy(
  needs: readonly PartNeed[],
  found: Readonly<Record<string, Found>>,
): string[] {
  return needs.flatMap((need) => {
    const of = found[need.id];
    if (need.kind !== 'number' || typeof of !== 'object') return [];
    const { maker, oldPart, newPart } = of;
    const by = maker === null ? 'as the old one' : 'by the maker';
    const against =
      maker !== null && oldPart !== null && !isNear(need, oldPart, maker)
        ? `; the old one had ${inUnit(need, oldPart)}`
        : '';
    return [`${need.label} ${inUnit(need, newPart)}, ${by}${against}.`];
  });
}

/** What somebody would find on a part that agrees with the layout in everything: for the demo, and for tests. */
export function foundAsGuessed(needs: readonly PartNeed[]): Record<string, Found> {
  return Object.fromEntries(
    needs.map((n): [string, Found] => {
      switch (n.kind) {
        case 'number': {
          const { value } = n.guess;
          return [n.id, { newPart: value, oldPart: value, maker: null }];
        }
        case 'thread':
          return [n.id, n.needed];
        case 'question':
          return [n.id, true];
        case 'as the old one':
          return [n.id, 'as the old one'];
      }
    }),
  );
}

/**
 * Sizes of the vehicle that the new part brings, by what was measured on it. One
 * that is the layout's, within what can be measured, stays as it is listed: it is no guess any more.
 */
export function sizesOfPart(
  needs: readonly PartNeed[],
  found: Readonly<Record<string, Found>>,
): SizeFound[] {
  return needs.flatMap((need) => {
    const of = found[need.id];
    if (need.kind !== 'number' || typeof of !== 'object') return [];
    const value = isNear(need, of.newPart, need.guess.value) ? need.guess.value : of.newPart;
    const how = of.maker === null ? 'measured' : 'by the maker';
    return need.sizes.map(({ share, ...size }) => ({
      ...size,
      // To a thousandth, or a share of a sum would be another size than the one that it was taken from.
      value: Math.round(value * share * 1000) / 1000,
      how,
    }));
  });
}

/** What a count that is not right means. */
export const PIECE_STATE_WORDS: Readonly<Record<PieceState, string>> = {
  right: 'all fitted, none over',
  missing: 'one is missing',
  'left over': 'one is left over: find where it belongs',
  'old one still there': 'the old one is still in its place; two on top of each other leak',
};

const trimmed = (value: number): string => String(Math.round(value * 100) / 100);
const inUnit = (need: PartNeed, value: number): string =>
  need.kind === 'number' && need.unit === 'mm' ? `${trimmed(value)} mm` : trimmed(value);
