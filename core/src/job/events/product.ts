import type { Grade, Remedy } from '../../fluid/verdict';
import type { Brought } from './brought';

/** What a container held that was poured from, and what the adviser says of it in this vehicle. */
export interface Product {
  readonly grade: Grade;
  readonly batch: string;
  /** What it costs to put right that it is in. */
  readonly remedy: Remedy;
}

/**
 * As it is stored: the product of the container that was named; null where the
 * shelf knows none such, left out where none was named. The phone leaves it out.
 */
export interface OutOf {
  readonly product?: Product | null | undefined;
}

/** What a pour brings: a product that must not be in there, or one that nobody knows. What is not known counts as bad. */
export function broughtByPour({ product }: OutOf, where: string | null): readonly Brought[] {
  if (product === undefined) return [];
  if (product === null) return [{ what: 'product not known', where }];
  switch (product.remedy) {
    case 'nothing':
      return [];
    case 'flush with the grade asked for':
      return [{ what: 'wrong grade', where }];
    case 'strip, new seals, dry system':
    case 'strip, all rubber renewed':
      return [{ what: 'wrong fluid', where }];
  }
}
