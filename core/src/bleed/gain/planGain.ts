import { bleederName, chambersOf, isActuator, circuitOf } from '../../vehicle/circuit';
import { figure, MODEL, type Figure } from '../../base/figure';
import { boilingFigure, CHEMISTRY, limitsOf } from '../../fluid/verdict';
import { newShareOf, oldMl, type Content, type Inside } from '../../fluid/inside';
import { makeCount, type Visit } from '../../hydraulics/order';
import { planEnd, type Plan } from '../plan';
import { longestOpening, type PlanOpening } from '../stages';
import { waterOfLot, type OldWater } from './oldWater';

/** Water in fluid out of a container that was kept shut, % by mass [M]. */
export const NEW_WATER_PERCENT = 0.2;
/** So many strokes more are shown for what they would buy. */
export const MORE_STROKES = 10;

/** What a vehicle gains by a plan, at the part of it that stays worst. */
export interface PlanGain {
  readonly partId: string;
  readonly name: string;
  /** Old fluid of what it holds afterwards. */
  readonly oldShare: Figure;
  /** Null where nobody knows how old its fluid is, or where the grade takes up no water that a model knows. */
  readonly afterwards: WaterAndBoiling | null;
  readonly before: WaterAndBoiling | null;
  /** What more strokes at the longest bleeder would add there; null where no strokes are counted, or no water is known. */
  readonly more: MoreStrokes | null;
  /** Parts whose closed pockets keep their old fluid. */
  readonly pockets: readonly string[];
}

export interface WaterAndBoiling {
  readonly water: Figure;
  readonly boiling: Figure;
}

/** What some strokes more at one bleeder buy at its part. */
export interface MoreStrokes {
  readonly bleederId: string;
  readonly strokes: number;
  readonly lessWater: Figure;
  readonly moreBoiling: Figure;
}

/**
 * What the vehicle gains: water and boiling point expected at the worst part
 * that the pressure works on, by what the simulation leaves old there × its own
 * water and the new fluid's; and what ten more strokes at the longest bleeder would add.
 *
 * @returns null where the plan renews nothing
 */
export function planGain(plan: Plan, water: OldWater): PlanGain | null {
  if (!plan.openings.some((s) => s.until === 'new')) return null;
  const { fluid, setup } = planEnd(plan);
  const end = fluid.inside();
  const parts = partsInHand(plan).filter((n) => end[n.id] && plan.inside[n.id]);
  const all = parts.map((part) => ({ part, percent: waterPercent(end[part.id]!, water) }));
  // Where nobody knows the water of one of them, that one counts as the worst.
  const worst = all.reduce<(typeof all)[number] | null>(
    (a, b) => (a === null || isWorse(b, a, end) ? b : a),
    null,
  );
  if (!worst) return null;
  const { part } = worst;
  const content = end[part.id]!;
  // Of those that renew fluid by strokes.
  const longest = longestOpening(
    plan.openings.filter((s) => s.until === 'new' && s.counted === 'strokes' && s.fromReservoir),
  );
  const at = longest && partOf(plan, longest);
  const contentAfter = (id: string): Content => {
    const visit: Visit = { bleederId: longest!.bleeder.id, method: longest!.method, until: 'new' };
    for (let i = 0; i < MORE_STROKES; i++) makeCount(fluid, setup, visit);
    return fluid.inside()[id]!;
  };
  return {
    partId: part.id,
    name: part.name,
    oldShare: figure({
      label: `Old fluid left in ${part.name}`,
      value: 100 * (1 - newShareOf(content)),
      unit: '%',
      rule: 'what the simulation leaves old in it ÷ what it holds',
      source: MODEL,
    }),
    afterwards: waterAndBoiling(plan, content, water, 'afterwards'),
    before: waterAndBoiling(plan, plan.inside[part.id]!, water, 'before'),
    more:
      longest && at
        ? strokesBuy(plan, longest, MORE_STROKES, end[at]!, contentAfter(at), water)
        : null,
    pockets: plan.stages.some((s) => s.kind === 'tool cycle')
      ? []
      : plan.layout.nodes.flatMap((n) =>
          n.kind === 'modulator' && n.pocketsMl > 0 ? [n.name] : [],
        ),
  };
}

/** What a difference of content at one part is worth, with the strokes that make it. */
export function strokesBuy(
  plan: Plan,
  opening: PlanOpening,
  strokes: number,
  before: Content,
  after: Content,
  water: OldWater,
): MoreStrokes | null {
  const [from, to] = [
    waterAndBoiling(plan, before, water, 'as it is'),
    waterAndBoiling(plan, after, water, `after ${strokes} more`),
  ];
  if (!from || !to) return null;
  const name = bleederName(opening.bleeder);
  return {
    bleederId: opening.bleeder.id,
    strokes,
    lessWater: figure({
      label: `${strokes} more at ${name}: less water`,
      value: from.water.value - to.water.value,
      unit: '%',
      rule: 'water expected as it is less that after so many strokes more',
      source: MODEL,
      from: [from.water, to.water],
    }),
    moreBoiling: figure({
      label: `${strokes} more at ${name}: boils higher by`,
      value: to.boiling.value - from.boiling.value,
      unit: '°C',
      rule: 'boiling point expected after so many strokes more less that as it is',
      source: MODEL,
      from: [from.boiling, to.boiling],
    }),
  };
}

/** Expected water of some content, % by mass, pro rata; null where the water of any of it is not known. */
export function waterPercent(content: Content, water: OldWater): number | null {
  const inAll = oldMl(content) + content.newMl;
  if (inAll <= 0) return null;
  let sum = content.newMl * NEW_WATER_PERCENT;
  for (const { lot, ml } of content.old) {
    if (ml <= 0) continue;
    const percent = waterOfLot(water, lot);
    if (percent === null) return null;
    sum += ml * percent;
  }
  return sum / inAll;
}

function waterAndBoiling(
  plan: Plan,
  content: Content,
  water: OldWater,
  when: string,
): WaterAndBoiling | null {
  const percent = waterPercent(content, water);
  const { fillGrade } = plan;
  if (percent === null || CHEMISTRY[fillGrade] !== 'glycol') return null;
  const figureOfWater = figure({
    label: `Water expected, ${when}`,
    value: percent,
    unit: '%',
    rule: 'old share × its own water + new share × the new fluid’s',
    source: MODEL,
    from: [
      figure({
        label: 'Old share',
        value: 100 * (1 - newShareOf(content)),
        unit: '%',
        rule: 'by the simulation',
        source: MODEL,
      }),
      ...(water.by === 'measured' ? [water.percent] : [byAge(content, water)]),
      figure({
        label: 'Water in new fluid',
        value: NEW_WATER_PERCENT,
        unit: '%',
        rule: 'out of a container that was kept shut',
        source: MODEL,
      }),
    ],
  });
  return {
    water: figureOfWater,
    boiling: boilingFigure(limitsOf(fillGrade, plan.wishes?.isoClass ?? null), figureOfWater),
  };
}

function byAge(content: Content, water: OldWater): Figure {
  const inAll = oldMl(content);
  const sum = content.old.reduce((all, { lot, ml }) => all + ml * (waterOfLot(water, lot) ?? 0), 0);
  return figure({
    label: 'Water in the old fluid',
    value: inAll > 0 ? sum / inAll : 0,
    unit: '%',
    rule: 'by the age of each fill in the workshop’s air; nothing was measured at this visit',
    source: MODEL,
  });
}

/** Parts that the pressure of the masters in hand works on. */
function partsInHand({ layout, work }: Plan) {
  const circuits = chambersOf(layout)
    .filter(({ master }) => work.masterIds.includes(master.id))
    .map(({ chamber }) => circuitOf(layout, chamber));
  return layout.nodes.filter((n) => isActuator(n) && circuits.some((c) => c.has(n.id)));
}

type Judged = { readonly part: { readonly id: string }; readonly percent: number | null };

function isWorse(a: Judged, b: Judged, end: Inside): boolean {
  if (a.percent !== null && b.percent !== null) return a.percent > b.percent;
  if (a.percent === null && b.percent === null)
    return newShareOf(end[a.part.id]!) < newShareOf(end[b.part.id]!);
  return a.percent === null;
}

/** The part that a bleeder sits on, where the pressure works on it. */
function partOf({ layout }: Plan, opening: PlanOpening): string | null {
  const node = layout.nodes.find((n) => n.id === opening.bleeder.at)!;
  return isActuator(node) ? node.id : null;
}
