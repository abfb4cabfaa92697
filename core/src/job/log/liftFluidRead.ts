import type { Clarity, Colour, ForeignSign, Grade } from '../../fluid/verdict';
import { DEFAULT_RULES } from '../../bleed/rules';
import type { FluidRead } from './event';

/** Version of the shape in which a reading of the fluid and its verdict are stored. */
export const FLUID_READ_VERSION = 3;

/** A fluid entry as the first rules stored it. */
export interface FirstFluidRead {
  readonly capGrade: Grade;
  readonly seen: {
    readonly colour: Colour;
    readonly clarity: Clarity;
    readonly foreign: ForeignSign;
    readonly waterPercent: number | null;
  };
  readonly newColour: Colour;
  readonly verdict: { readonly fillGrade: Grade | null };
}

/** Whatever was stored as a reading of the fluid; those of the second version did not say so. */
export type StoredFluidRead = FluidRead | Omit<FluidRead, 'version'> | FirstFluidRead;

/**
 * A reading of the fluid as it was stored, in the shape of today. Its verdict
 * is what was said then; it is never judged again.
 */
export function liftFluidRead(stored: StoredFluidRead): FluidRead {
  if ('capGrade' in stored) return fromFirst(stored);
  const read = 'version' in stored ? stored : { version: FLUID_READ_VERSION, ...stored };
  // A rule that came later was the usual one then, as for a workshop that never chose.
  return { ...read, rules: { ...DEFAULT_RULES, ...read.rules } };
}

function fromFirst({ capGrade, seen, newColour, verdict }: FirstFluidRead): FluidRead {
  const { fillGrade } = verdict;
  return {
    version: FLUID_READ_VERSION,
    demands: [{ source: 'cap', grades: [capGrade], lowViscosity: false }],
    follow: null,
    control: 'none',
    seals: 'ordinary',
    inSystem: 'unknown',
    newColour,
    newDye: null,
    lastDye: null,
    rules: DEFAULT_RULES,
    samples: [
      {
        point: 'reservoir',
        colour: seen.colour,
        clarity: seen.clarity,
        foreign: seen.foreign,
        dye: null,
        dropsInWater: null,
        copperPpm: null,
        pH: null,
        boiling: null,
        practice: false,
        water:
          seen.waterPercent === null ? null : { percent: seen.waterPercent, meterGrade: capGrade },
      },
    ],
    fill: fillGrade && { grade: fillGrade, isoClass: null, labelRead: null },
    verdict: {
      verdict: fillGrade ? 'fill' : 'stop',
      hold: fillGrade ? null : 'condition stops',
      advice: { minimum: null, conflict: [] },
      fill: fillGrade && {
        id: 'fill',
        grade: fillGrade,
        verdict: 'may fill',
        reasons: [],
        secondLook: false,
      },
      condition: null,
      remedy: null,
    },
  };
}
