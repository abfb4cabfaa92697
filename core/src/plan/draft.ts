import type { SlaveTest } from '../clutch';
import type { Method } from '../flow';
import type { OrderedVisit } from '../order';

/** Why bleeders are opened in a stage. */
export type BleedPurpose =
  | 'bleed'
  | 'prime'
  | 'old fluid out'
  | 'finish with strokes'
  | 'in turn until clear'
  | 'again after the tool'
  | 'second part';

/** One stage of a plan, before its visits are priced. */
export type StageDraft =
  | { readonly kind: 'right part'; readonly partId: string }
  /** `set`: master, line and slave of a clutch lie on the bench as one. */
  | {
      readonly kind: 'bench';
      readonly masterId: string;
      readonly compulsory: boolean;
      readonly set: boolean;
    }
  | { readonly kind: 'join lines'; readonly masterId: string }
  | { readonly kind: 'centre the valve'; readonly endLost: 'front' | 'rear' }
  | { readonly kind: 'injection' }
  | {
      readonly kind: 'bleed';
      readonly purpose: BleedPurpose;
      readonly method: Method;
      readonly visits: readonly OrderedVisit[];
    }
  | { readonly kind: 'tool cycle'; readonly atHand: boolean }
  | { readonly kind: 'hold point'; readonly partId: string }
  | ({ readonly kind: 'slave test' } & SlaveTest)
  | { readonly kind: 'tie back' };
