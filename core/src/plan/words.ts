import type { PlanRefusal } from './plan';
import type { OrderReason } from './bleedOrder';
import type { PreparationStep } from './preparation';

/** What to do, and the reason that counts at that step. */
export const PREPARATION_WORDS: Readonly<Record<PreparationStep, { readonly title: string; readonly why: string }>> = {
  protect: { title: 'Glasses and gloves on, paint covered', why: 'Fluid squirts metres and lifts paint. Keep people and animals away; water at hand.' },
  stand: { title: 'On stands, wheels chocked', why: 'Never rely on a jack. Level, so that the reservoir reads true.' },
  'bar level': { title: 'Upright, lever turned level on the bar', why: 'A lean bike lies about its level, and air needs a way up.' },
  'read cap': { title: 'Clean round the cap, read it once more', why: 'The grade on the cap is the one that goes in. The wrong one ruins the system.' },
  'empty servo': { title: 'Engine off, pump the pedal until it is hard', why: 'A full servo helps at the first strokes and not at the last.' },
  'empty reservoir': { title: 'Draw the old fluid off with a clean syringe', why: 'Down to the outlets, not below, from every chamber. Never pour it back. From here on: do not drive.' },
  'fill reservoir': { title: 'Fill to MAX with new, rested fluid', why: 'Before pedal or lever is touched. Cap resting on, not screwed. Never shake the container: fine bubbles come out days later.' },
  'crack bleeders': { title: 'Crack each bleeder, nip it shut again', why: 'One that does not move: no force, no heat. Flare-nut or six-point wrench; they are hollow and snap.' },
};

/** Why a bleeder comes where it does. */
export function orderWords(why: OrderReason): string {
  switch (why.code) {
    case 'only':
      return 'The only bleeder of this layout.';
    case 'farthest':
      return `Farthest by the fluid’s way: ${why.lengthM.toFixed(2)} m from the master’s port. Old fluid from the long line is out first.`;
    case 'next farthest':
      return `${why.lengthM.toFixed(2)} m, next after ${why.before.toFixed(2)} m.`;
    case 'equal, away from the driver':
      return `${why.lengthM.toFixed(2)} m, as long as the next; the side away from the driver goes first.`;
  }
}

/** One sentence for a refused plan: what is in the way and what would be right. */
export function refusalWords(refusal: PlanRefusal): string {
  switch (refusal.code) {
    case 'bad layout':
      return `The layout cannot be planned: ${refusal.faults.map((f) => f.sentence).join(' ')}`;
    case 'modulator bleeder':
      return `${refusal.name} has a bleeder of its own. That needs a plan in two passes, which is not offered yet: follow the maker’s procedure.`;
    case 'no stroke before top-up':
      return `${refusal.name} is too small: one stroke would take it from MAX below the top-up level. Use a shorter stroke or another method.`;
    case 'never new':
      return `The ${refusal.name} would not run new within 600 strokes. Check the sizes in the layout.`;
  }
}
