import type { Plan, PlanRefusal } from './shape';
import { METHOD_WORDS, methodReasonWords } from '../method';
import { orderRefusalWords } from '../order';
import { heldOf, VEHICLE_TRAITS, type Layout } from '../../vehicle/circuit';
import { RESERVOIR_WAY_WORDS } from './reservoirTreatment';
import type { PreparationStep } from './preparation';

/** What to do, and the reason that counts at that step. */
export const PREPARATION_WORDS: Readonly<
  Record<PreparationStep, { readonly title: string; readonly why: string }>
> = {
  protect: {
    title: 'Glasses and gloves on, paint covered',
    why: 'Fluid squirts metres and lifts paint. Keep people and animals away; water at hand.',
  },
  stand: {
    title: 'On stands, wheels chocked',
    why: 'Never rely on a jack. Level, so that the reservoir reads true.',
  },
  'bar level': {
    title: 'Upright, lever turned level on the bar',
    why: 'A lean bike lies about its level, and air needs a way up.',
  },
  'read cap': {
    title: 'Clean round the cap, read it once more',
    why: 'The grade on the cap is the one that goes in. The wrong one ruins the system. Look at the diaphragm: folded in, not perished.',
  },
  neutral: {
    title: 'Gearbox in neutral, parking brake on',
    why: 'With the clutch worked, the engine must not be able to move it.',
  },
  'empty servo': {
    title: 'Engine off, pump the pedal until it is hard',
    why: 'A full servo helps at the first strokes and not at the last.',
  },
  'empty reservoir': {
    title: 'Draw the old fluid off with a clean syringe',
    why: 'Down to the outlets, not below, from every chamber. Never pour it back.',
  },
  'clean reservoir': {
    title: 'Rinse what the syringe cannot reach',
    why: 'What stays mixes with the new fill, and the first wheel pumps it out.',
  },
  'fill reservoir': {
    title: 'Fill to MAX with new, rested fluid',
    why: 'Before the pedal or lever is touched. Cap resting on, not screwed. Never shake the container: fine bubbles come out days later.',
  },
  'crack bleeders': {
    title: 'Open and shut each bleeder',
    why: 'While its body is still held, to know that it comes free. Stuck? Do not force it, no heat: they are hollow and snap. Flare-nut or six-point wrench. From here on: do not drive.',
  },
};

/** What to do at a step on this vehicle: no parking brake on a motorcycle, one bleeder where there is one. */
export function preparationWords(
  { layout, openings, treatment }: Pick<Plan, 'layout' | 'openings' | 'treatment'>,
  step: PreparationStep,
): { readonly title: string; readonly why: string } {
  const words = PREPARATION_WORDS[step];
  if (step === 'clean reservoir' && treatment) return RESERVOIR_WAY_WORDS[treatment.way];
  if (step === 'neutral' && VEHICLE_TRAITS[layout.vehicleKind].bar)
    return { ...words, title: 'Gearbox in neutral, engine off' };
  if (step === 'stand' && layout.nodes.some((n) => n.kind === 'valve' && n.valve === 'load'))
    return {
      title: 'On stands under the axle, wheels chocked',
      why: `${words.why} Under the axle, not the body: hanging, the load valve shuts the rear.`,
    };
  if (step === 'fill reservoir')
    return {
      ...words,
      why: words.why.replace('pedal or lever', heldOf(layout).word),
    };
  if (step === 'bar level' && !/lever/.test(heldOf(layout).word))
    return { title: 'Upright on its stand', why: 'A lean bike lies about its level.' };
  const bleeders = new Set(openings.map((s) => s.bleeder.id)).size;
  if (step === 'crack bleeders' && bleeders === 1)
    return { ...words, title: 'Open and shut the bleeder' };
  return words;
}

/** One sentence for a refused plan: what is in the way, by its name, and what would be right. */
export function refusalWords(layout: Layout, refusal: PlanRefusal): string {
  switch (refusal.code) {
    case 'bad layout':
      return `The layout cannot be planned: ${refusal.faults.map((f) => f.sentence).join(' ')}`;
    case 'high pressure':
      return `${refusal.name} works under high pressure: depressurise it by the maker’s procedure first, never open a line before. This is licensed work; the plan leaves it to the maker’s procedure.`;
    case 'nothing in hand':
      return 'Nothing is in hand; choose the brakes, the clutch or both.';
    case 'nothing named':
      return 'Until it is named nobody can say which bleeders may stay shut.';
    case 'unknown element':
      return `There is no "${refusal.element}" in this layout.`;
    case 'method':
      return `${METHOD_WORDS[refusal.method].title} cannot work here. ${refusal.reasons.map((r) => methodReasonWords(layout, r)).join(' ')}`;
    case 'no stroke before top-up':
    case 'never new':
      return orderRefusalWords(refusal);
  }
}

/** How many reservoirs it is, as one says it. @example reservoirsWords(4.96) is "about 5" */
export function reservoirsWords(fillings: number): string {
  return fillings < 0.75 ? 'less than one' : `about ${fillings.toFixed(0)}`;
}
