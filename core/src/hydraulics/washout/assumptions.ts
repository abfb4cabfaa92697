/** What the model has to assume, because nobody knows it of a vehicle. */
export interface Assumptions {
  /** Whether a tee mixes what it parts, or passes the streams on as they come. */
  readonly teesMix: boolean;
  /** Whether a change of bore mixes. */
  readonly boresMix: boolean;
  /** What a syringe leaves in a reservoir, by what the layout says that it leaves. */
  readonly restFactor: number;
  /** Whether lines mix like cavities, by bends and pulsed strokes, or flow laminar. */
  readonly linesMix: boolean;
}

/** What every figure of a plan is worked out with [M]. */
export const NOMINAL: Assumptions = {
  teesMix: false,
  boresMix: true,
  restFactor: 1,
  linesMix: false,
};

const BOTH = [false, true] as const;
/** Of a rest of 20 mL, 5 and 30 mL [M]. */
const RESTS = [0.25, 1.5] as const;

/** Both ways of everything that is assumed: what holds in all sixteen holds whatever the truth is. */
export const CORNERS: readonly Assumptions[] = BOTH.flatMap((teesMix) =>
  BOTH.flatMap((boresMix) =>
    RESTS.flatMap((restFactor) =>
      BOTH.map((linesMix) => ({ teesMix, boresMix, restFactor, linesMix })),
    ),
  ),
);
