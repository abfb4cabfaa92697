import { templateById, type DriverSide, type Layout, type TemplateId } from '../circuit';
import { planBleed, type Plan } from '../plan';

/** A template's layout, by default with the driver on the right where there is a choice. */
export function layoutOf(id: TemplateId, side?: DriverSide): Layout {
  const template = templateById(id)!;
  return template.build(side ?? template.driverSides[0]!);
}

/** The plan of a routine flush of a layout that can be planned. */
export function planOf(of: TemplateId | Layout, side?: DriverSide): Plan {
  const layout = typeof of === 'string' ? layoutOf(of, side) : of;
  const result = planBleed({ layout, fillGrade: 'DOT 4', newColour: 'straw' });
  if (result.verdict === 'refused') throw new Error(`refused: ${JSON.stringify(result.reasons)}`);
  return result.plan;
}

/** Ids that count up, for logs made in tests. */
export function countingIds(prefix = 'e'): () => string {
  let n = 0;
  return () => `${prefix}${++n}`;
}
