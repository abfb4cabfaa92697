import { ENTRY, figure, type Figure } from '../../base/figure';
import type { Grade, IsoClass } from '../verdict';
import { admitContainer, type OpenRule, type ShelfContainer } from './admit';

/** A grade that runs low: what may be used of it is below the line. */
export interface LowStock {
  readonly grade: Grade;
  readonly isoClass: IsoClass | null;
  readonly usableMl: Figure;
}

/** Every grade and class that the shelf has ever held and of which less than the line may be used today. */
export function lowStock(
  shelf: readonly ShelfContainer[],
  rule: OpenRule,
  lineMl: number,
): LowStock[] {
  const kinds = new Map(shelf.map((c) => [`${c.grade} ${c.isoClass ?? ''}`, c]));
  return [...kinds.values()]
    .map(({ grade, isoClass }) => {
      const usable = shelf.filter(
        (c) =>
          c.grade === grade &&
          c.isoClass === isoClass &&
          admitContainer(c, rule).verdict !== 'refuse',
      );
      const from = usable.map((c) =>
        figure({
          label: `Batch ${c.batch}`,
          value: c.leftMl,
          unit: 'mL',
          rule: 'left in it by the shelf',
          source: ENTRY,
        }),
      );
      return {
        grade,
        isoClass,
        usableMl: figure({
          label: `${isoClass ?? grade} that may be used`,
          value: from.reduce((sum, f) => sum + f.value, 0),
          unit: 'mL',
          rule: `sum over the containers that the rule “${rule}” admits; the line is at ${lineMl} mL`,
          source: { kind: 'arithmetic' },
          from,
        }),
      };
    })
    .filter((s) => s.usableMl.value < lineMl);
}
