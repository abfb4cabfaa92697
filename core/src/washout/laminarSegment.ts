import type { Streamtubes } from './streamtubes';

/** A moment of a segment, for going back to it. */
export interface LaminarSnapshot {
  readonly marks: number;
  readonly leftMl: Float64Array;
  readonly leavingMark: Uint32Array;
  readonly outShares: Float64Array;
}

/**
 * One length of line of one bore, without a branch inside. Fluid moves in
 * plugs along each streamtube: what enters a tube leaves it after the tube's
 * own volume has passed. What entered is kept as the running total of new
 * fluid over volume passed, so the answer does not depend on how the flow is
 * cut into steps.
 */
export class LaminarSegment {
  /** New fluid leaving each tube, averaged over the last step, 0 to 1. */
  readonly outShares: Float64Array;
  private readonly delayMl: Float64Array;
  /** What had passed at the end of each step, mL, from 0 on; the first `marks` entries count. */
  private passedMl: Float64Array = new Float64Array(64);
  /** New fluid that had entered each tube at those marks, mL, mark by mark; one entry a mark when all tubes are fed alike. */
  private enteredMl: Float64Array;
  private readonly rows: number;
  private marks = 1;
  private readonly leftMl: Float64Array;
  /** The mark before the fluid that now leaves each tube. */
  private readonly leavingMark: Uint32Array;

  /**
   * @param volumeMl what the segment holds, above 0
   * @param tubes how its flow is cut
   * @param fedAlike whether what enters is the same across the bore, as it is behind a part that mixes
   */
  constructor(
    readonly volumeMl: number,
    private readonly tubes: Streamtubes,
    readonly fedAlike: boolean,
  ) {
    const count = tubes.flowShare.length;
    this.outShares = new Float64Array(count);
    this.delayMl = tubes.residence.map((theta) => theta * volumeMl);
    this.leftMl = new Float64Array(count);
    this.leavingMark = new Uint32Array(count);
    this.rows = fedAlike ? 1 : count;
    this.enteredMl = new Float64Array(64 * this.rows);
  }

  /** Pass one step of flow through; afterwards `outShares` and the mean tell what left. */
  pass(stepMl: number, inShares: Float64Array | number): number {
    this.enter(stepMl, inShares);
    const { outShares, delayMl, leftMl, leavingMark, passedMl, rows, enteredMl } = this;
    const { flowShare } = this.tubes;
    const passed = passedMl[this.marks - 1]!;
    const perStep = 1 / stepMl;
    let mean = 0;
    for (let i = 0; i < outShares.length; i++) {
      const leavingMl = passed - delayMl[i]!;
      if (leavingMl <= 0) break; // Tubes are sorted by delay: from here on all still give the old fluid of the start.
      let k = leavingMark[i]!;
      let upTo = passedMl[k + 1]!;
      while (upTo < leavingMl) upTo = passedMl[++k + 1]!;
      leavingMark[i] = k;
      const at = rows === 1 ? k : k * rows + i;
      const from = enteredMl[at]!;
      const since = passedMl[k]!;
      const left = from + ((enteredMl[at + rows]! - from) * (leavingMl - since)) / (upTo - since);
      const share = (left - leftMl[i]!) * perStep;
      leftMl[i] = left;
      outShares[i] = share;
      mean += share * flowShare[i]!;
    }
    return mean;
  }

  /** New fluid inside, mL. */
  newMl(): number {
    const { rows, enteredMl, leftMl } = this;
    const last = (this.marks - 1) * rows;
    let inside = 0;
    for (let i = 0; i < leftMl.length; i++)
      inside += (enteredMl[last + (rows === 1 ? 0 : i)]! - leftMl[i]!) * this.tubes.flowShare[i]!;
    return inside;
  }

  /** What it takes to come back to this moment; entries kept so far are only added to. */
  snapshot(): LaminarSnapshot {
    return {
      marks: this.marks,
      leftMl: this.leftMl.slice(),
      leavingMark: this.leavingMark.slice(),
      outShares: this.outShares.slice(),
    };
  }

  /** Go back to an earlier moment of this same segment. */
  rollback(to: LaminarSnapshot): void {
    this.marks = to.marks;
    this.leftMl.set(to.leftMl);
    this.leavingMark.set(to.leavingMark);
    this.outShares.set(to.outShares);
  }

  /** Become what another segment of the same volume and tubes is now. */
  become(other: LaminarSegment): void {
    this.rollback(other.snapshot());
    this.passedMl = other.passedMl.slice();
    this.enteredMl = other.enteredMl.slice();
  }

  private enter(stepMl: number, inShares: Float64Array | number): void {
    const mark = this.marks++;
    const { rows } = this;
    if (mark === this.passedMl.length) {
      this.passedMl = doubled(this.passedMl);
      this.enteredMl = doubled(this.enteredMl);
    }
    const { passedMl, enteredMl } = this;
    passedMl[mark] = passedMl[mark - 1]! + stepMl;
    const at = mark * rows;
    if (typeof inShares === 'number')
      for (let i = 0; i < rows; i++)
        enteredMl[at + i] = enteredMl[at + i - rows]! + stepMl * inShares;
    else
      for (let i = 0; i < rows; i++)
        enteredMl[at + i] = enteredMl[at + i - rows]! + stepMl * inShares[i]!;
  }
}

function doubled(row: Float64Array): Float64Array {
  const longer = new Float64Array(row.length * 2);
  longer.set(row);
  return longer;
}
