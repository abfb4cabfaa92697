import type { FluidEntry } from '@brook/contract';
import { waterFault, type Clarity, type Colour, type ForeignSign, type Grade } from '@brook/core/fluid';

/** The entry as it grows, answer by answer; water as it is typed. */
export interface FluidDraft {
  readonly capGrade: Grade | null;
  readonly colour: Colour | null;
  readonly clarity: Clarity | null;
  readonly foreign: ForeignSign | null;
  readonly water: string;
  readonly newColour: Colour | null;
}

/** What a job holds already, as a draft to go on with. */
export function draftOf(entry: FluidEntry | null): FluidDraft {
  return {
    capGrade: entry?.capGrade ?? null,
    colour: entry?.seen.colour ?? null,
    clarity: entry?.seen.clarity ?? null,
    foreign: entry?.seen.foreign ?? null,
    water: entry?.seen.waterPercent?.toString() ?? '',
    newColour: entry?.newColour ?? null,
  };
}

/** The sentence for the water field, or null when it is empty or can be right. A comma is a decimal point. */
export function waterEntryFault(water: string): string | null {
  return water.trim() === '' ? null : waterFault(Number(water.replace(',', '.')));
}

/** What is asked next, or null when all is answered. */
export function unanswered(draft: FluidDraft): string | null {
  if (!draft.capGrade) return 'Read the cap first';
  if (!draft.colour || !draft.clarity || !draft.foreign) return 'Look at the reservoir first';
  if (waterEntryFault(draft.water)) return 'Put the water reading right first';
  return draft.newColour ? null : 'Look at the new fluid first';
}

/** The entry, once nothing is unanswered. */
export function entryOf(draft: FluidDraft): FluidEntry | null {
  const { capGrade, colour, clarity, foreign, newColour } = draft;
  if (!capGrade || !colour || !clarity || !foreign || !newColour || unanswered(draft)) return null;
  const waterPercent = draft.water.trim() === '' ? null : Number(draft.water.replace(',', '.'));
  return { capGrade, seen: { colour, clarity, foreign, waterPercent }, newColour };
}
