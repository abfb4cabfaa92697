import type { Streamtubes } from './streamtubes';

/** A moment of a segment, for going back to it. */
export interface LaminarSnapshot {
  readonly emptyMl: number;
  readonly firstShare: number;
  readonly marks: number;
  readonly leftMl: Float64Array;
  readonly outShares: Float64Array;
}

/**
 * One length of line of one bore, without a branch inside. Fluid moves in
 * plugs along each streamtube: what enters a tube leaves it after the tube's
 * own volume has passed. What entered is kept as the running total of new
 * fluid over volume passed, so the answer does not depend on how the flow is
 * cut into steps. What is empty of it is filled first, and mixes as it fills;
 * only then does anything leave.
 */
export class LaminarSegment {
  /** New fluid leaving each tube, averaged over the last step, 0 to 1. */
  readonly outShares: Float64Array;
  /** What of it is empty, mL. */
  emptyMl = 0;
  /** New share of what it held when flow began to pass, 0 to 1. */
  private firstShare = 0;
  /** What had passed at the end of each step, mL, from 0 on; the first `marks` entries count. */
  private passedMl: Float64Array = new Float64Array(64);
  /** New fluid that had entered each tube at those marks, mL, mark by mark; one entry a mark when all tubes are fed alike. */
  private enteredMl: Float64Array;
  private readonly rows: number;
  private marks = 1;
  /** New share of what entered up to each mark, laid out as `enteredMl`. */
  private enteredShare: Float64Array;
  /** New fluid that has left, mL for the whole flow: of each tube, or the mean over all of them where only that is asked for. */
  private readonly leftMl: Float64Array;

  /**
   * @param volumeMl what the segment holds, above 0
   * @param tubes how its flow is cut
   * @param fedAlike whether what enters is the same across the bore, as it is behind a part that mixes
   * @param asStreams whether somebody asks what leaves each tube, not only for the mean
   */
  constructor(
    readonly volumeMl: number,
    private readonly tubes: Streamtubes,
    readonly fedAlike: boolean,
    private readonly asStreams = true,
  ) {
    const count = tubes.flowShare.length;
    this.outShares = new Float64Array(asStreams ? count : 0);
    this.leftMl = new Float64Array(asStreams ? count : 1);
    this.rows = fedAlike ? 1 : count;
    this.enteredMl = new Float64Array(64 * this.rows);
    this.enteredShare = new Float64Array(64 * this.rows);
  }

  /** Pass one step of flow through; afterwards `outShares` and the mean tell what left. */
  pass(stepMl: number, inShares: Float64Array | number): number {
    this.enter(stepMl, inShares);
    if (this.rows === 1 && !this.asStreams) return this.passMean(stepMl);
    const { outShares, volumeMl, leftMl, passedMl, rows, enteredMl, enteredShare, firstShare } =
      this;
    const { flowShare, residence } = this.tubes;
    const passed = passedMl[this.marks - 1]!;
    const perStep = 1 / stepMl;
    let mean = 0;
    // The mark before the fluid that leaves: tubes are sorted by delay, so it only goes back.
    let k = this.marks - 2;
    for (let i = 0; i < outShares.length; i++) {
      const delayMl = residence[i]! * volumeMl;
      const leavingMl = passed - delayMl;
      if (leavingMl <= 0) {
        // From here on all tubes still give the fluid of the start.
        if (firstShare > 0) mean += this.leavesFirst(i, passed, stepMl);
        else break;
        continue;
      }
      while (passedMl[k]! > leavingMl) k--;
      const at = rows === 1 ? k : k * rows + i;
      const left =
        firstShare * delayMl +
        enteredMl[at]! +
        enteredShare[at + rows]! * (leavingMl - passedMl[k]!);
      const share = (left - leftMl[i]!) * perStep;
      leftMl[i] = left;
      outShares[i] = share;
      mean += share * flowShare[i]!;
    }
    return mean;
  }

  /** The same where only the mean is asked for: new fluid that has left, as the mean over the tubes, now and before. */
  private passMean(stepMl: number): number {
    const { volumeMl, passedMl, enteredMl, enteredShare, firstShare } = this;
    const { flowShare, residence } = this.tubes;
    const passed = passedMl[this.marks - 1]!;
    let k = this.marks - 2;
    let [markMl, markNewMl, share] = [passedMl[k]!, enteredMl[k]!, enteredShare[k + 1]!];
    let leftMl = 0;
    for (let i = 0; i < residence.length; i++) {
      const delayMl = residence[i]! * volumeMl;
      const leavingMl = passed - delayMl;
      if (leavingMl <= 0) {
        if (firstShare === 0) break;
        leftMl += flowShare[i]! * firstShare * passed;
        continue;
      }
      if (markMl > leavingMl) {
        do k--;
        while (passedMl[k]! > leavingMl);
        [markMl, markNewMl, share] = [passedMl[k]!, enteredMl[k]!, enteredShare[k + 1]!];
      }
      leftMl += flowShare[i]! * (firstShare * delayMl + markNewMl + share * (leavingMl - markMl));
    }
    const mean = (leftMl - this.leftMl[0]!) / stepMl;
    this.leftMl[0] = leftMl;
    return mean;
  }

  /** New fluid inside, mL. */
  newMl(): number {
    if (this.emptyMl > 0) return this.firstShare * (this.volumeMl - this.emptyMl);
    const { rows, enteredMl, leftMl, firstShare } = this;
    const { residence, flowShare } = this.tubes;
    const last = (this.marks - 1) * rows;
    if (!this.asStreams) return firstShare * this.volumeMl + enteredMl[last]! - leftMl[0]!;
    let inside = 0;
    for (let i = 0; i < leftMl.length; i++)
      inside +=
        (firstShare * residence[i]! * this.volumeMl +
          enteredMl[last + (rows === 1 ? 0 : i)]! -
          leftMl[i]!) *
        flowShare[i]!;
    return inside;
  }

  /** Begin with fluid of one new share, and some of it empty. */
  beginWith(newShare: number, emptyMl: number): void {
    this.emptyMl = emptyMl;
    this.firstShare = newShare;
    this.outShares.fill(emptyMl > 0 ? 0 : newShare);
    this.marks = 1;
    this.leftMl.fill(0);
  }

  /** Take up some flow into what is empty, at most that; mixes with what is there. */
  fill(ml: number, inShare: number): void {
    const newMl = this.newMl() + ml * inShare;
    const emptyMl = ml >= this.emptyMl ? 0 : this.emptyMl - ml;
    this.beginWith(newMl / (this.volumeMl - emptyMl), emptyMl);
  }

  /** It came off and went back, or was renewed: some of it is empty now, the rest mixes. */
  drain(ml: number): void {
    const share = this.newMl() / Math.max(this.volumeMl - this.emptyMl, 1e-12);
    const emptyMl = Math.min(this.volumeMl, this.emptyMl + ml);
    this.beginWith(emptyMl === this.volumeMl ? 0 : share, emptyMl);
  }

  /** What leaves a tube that still gives the fluid of the start. @returns its part of the mean */
  private leavesFirst(tube: number, passed: number, stepMl: number): number {
    const left = this.firstShare * passed;
    const share = (left - this.leftMl[tube]!) / stepMl;
    this.leftMl[tube] = left;
    this.outShares[tube] = share;
    return share * this.tubes.flowShare[tube]!;
  }

  /** What it takes to come back to this moment; entries kept so far are only added to. */
  snapshot(): LaminarSnapshot {
    return {
      emptyMl: this.emptyMl,
      firstShare: this.firstShare,
      marks: this.marks,
      leftMl: this.leftMl.slice(),
      outShares: this.outShares.slice(),
    };
  }

  /** Go back to an earlier moment of this same segment. */
  rollback(to: LaminarSnapshot): void {
    this.emptyMl = to.emptyMl;
    this.firstShare = to.firstShare;
    this.marks = to.marks;
    this.leftMl.set(to.leftMl);
    this.outShares.set(to.outShares);
  }

  /** Become what another segment of the same volume and tubes is now. */
  become(other: LaminarSegment): void {
    this.rollback(other.snapshot());
    this.passedMl = other.passedMl.slice();
    this.enteredMl = other.enteredMl.slice();
    this.enteredShare = other.enteredShare.slice();
  }

  private enter(stepMl: number, inShares: Float64Array | number): void {
    const mark = this.marks++;
    const { rows } = this;
    if (mark === this.passedMl.length) {
      this.passedMl = doubled(this.passedMl);
      this.enteredMl = doubled(this.enteredMl);
      this.enteredShare = doubled(this.enteredShare);
    }
    const { passedMl, enteredMl, enteredShare } = this;
    passedMl[mark] = passedMl[mark - 1]! + stepMl;
    const at = mark * rows;
    for (let i = 0; i < rows; i++) {
      const share = typeof inShares === 'number' ? inShares : inShares[i]!;
      enteredMl[at + i] = enteredMl[at + i - rows]! + stepMl * share;
      enteredShare[at + i] = share;
    }
  }
}

function doubled(row: Float64Array): Float64Array {
  const longer = new Float64Array(row.length * 2);
  longer.set(row);
  return longer;
}
