import { bleederName, howKnown, sizeFigure, type Layout, type Path } from '../../vehicle/circuit';
import { ARITHMETIC, figure, leafFigure, MODEL, PRACTICE, type Figure } from '../../base/figure';
import { bledMl, countAt, type OrderSetup, type VisitPrice } from '../../hydraulics/order';
import { METHOD_TRAITS } from '../../hydraulics/flow';
import { stageTitle, stageWaiting, type PlanStage, type PlanOpening } from '../stages';
import { WASHOUT_SOURCE } from '../../hydraulics/washout';
import { reservoirMinutes, type ReservoirTreatment } from './reservoirTreatment';
import type { PlanReservoir, PlanTotals } from './shape';
import type { PlanPreferences } from './preferences';

const UNTIL_RULE: Readonly<Record<PlanOpening['until'], string>> = {
  new: 'simulated along the path: lines laminar (new at the outlet is 1 − 1/(4θ²) after θ line volumes, nothing before ½), master chamber, modulator and caliper mixed (1 − e^−θ), shared stretches as the earlier bleeders left them, reservoir topped up in batches. Bends and pulsed strokes mix, so this is an upper bound.',
  sweep:
    'what is empty on the way, then the volume of the path: once where others follow, three times where it ends by its bubbles, for the core of the flow runs at twice the mean and bubbles come late',
  clear: 'three strokes or marks that must be free of bubbles',
};

/** Figures of one opening from what the simulation found there. */
export function openingFigures(of: {
  setup: OrderSetup;
  path: Path;
  price: VisitPrice;
  inJarMl: number;
  outOfBottlesMl: number;
  preferences: PlanPreferences;
  oldLeftMl: number;
}): Pick<
  PlanOpening,
  | 'pathLengthM'
  | 'pathVolumeMl'
  | 'strokeMl'
  | 'mostStrokeMl'
  | 'mostMlS'
  | 'fillMl'
  | 'neededMl'
  | 'strokes'
  | 'bledMl'
  | 'jarMl'
  | 'outOfBottlesMl'
  | 'oldLeftMl'
> {
  const { path, price, preferences } = of;
  const { until } = price.visit;
  const { countMl: strokeMl, mostMl, mostMlS } = countAt(of.setup, price.visit);
  const traits = METHOD_TRAITS[price.visit.method];
  const unit = traits.kind === 'strokes' ? 'strokes' : 'marks';
  const jar = mostMlS !== null;
  const pathVolumeMl = leafFigure(path.volumeMl);
  const target = figure({
    label: 'Wanted new at the outlet',
    value: preferences.outletTarget * 100,
    unit: '%',
    rule: 'house rule: what a technician can see at the bleeder',
    source: MODEL,
  });
  const fillMl = figure({
    label: 'Swallowed before fluid comes',
    value: price.fillMl,
    unit: 'mL',
    rule: 'what is empty on the way to this bleeder when its turn comes: new parts, dry lines, parts that were off',
    source: MODEL,
  });
  const neededMl = figure({
    label: until === 'new' ? 'Fluid until the outlet is new' : 'Fluid for this opening',
    value: price.neededMl,
    unit: 'mL',
    rule: UNTIL_RULE[until],
    source: until === 'new' ? WASHOUT_SOURCE : MODEL,
    from: [
      ...(price.fillMl > 0 ? [fillMl] : []),
      pathVolumeMl,
      ...(until === 'new' ? [target] : []),
    ],
    // The flow is cut into streamtubes 5 % apart; the 98 % point of a line is good to half of that.
    ...(until === 'new' ? { plusMinus: price.neededMl * 0.025 } : {}),
  });
  const strokes = figure({
    label: unit === 'strokes' ? 'Strokes' : 'Marks',
    value: price.counts,
    unit,
    rule: `${jar && price.fillMl > 0 ? 'fluid needed, less what the way swallows first,' : 'fluid needed'} ÷ fluid in one, rounded up, and never fewer than the three that must be clear`,
    source: ARITHMETIC,
    from: [neededMl, strokeMl],
  });
  return {
    pathLengthM: path.lengthM,
    pathVolumeMl: path.volumeMl,
    strokeMl,
    mostStrokeMl: mostMl,
    mostMlS,
    fillMl,
    neededMl,
    strokes,
    bledMl: figure({
      label: 'Fluid to bleed',
      value: bledMl(of.setup, price),
      unit: 'mL',
      rule:
        price.fillMl > 0 && !jar
          ? `${unit} × fluid in one, less what the way swallows first`
          : `${unit} × fluid in one`,
      source: ARITHMETIC,
      from: [strokes, strokeMl, ...(price.fillMl > 0 && !jar ? [fillMl] : [])],
    }),
    jarMl: figure({
      label: 'Jar stands at afterwards',
      value: of.inJarMl,
      unit: 'mL',
      rule: 'what was bled so far, if the jar is not emptied between the bleeders',
      source: ARITHMETIC,
      from: [strokes, strokeMl].map((f) => leafFigure(f)),
    }),
    outOfBottlesMl: figure({
      label: 'Out of the bottles by then',
      value: of.outOfBottlesMl,
      unit: 'mL',
      rule: 'the first fill and every top-up so far; what a bottle held less this is its mark',
      source: MODEL,
    }),
    oldLeftMl: figure({
      label: 'Old fluid left on this path',
      value: of.oldLeftMl,
      unit: 'mL',
      rule: 'what the simulation leaves along the walls of the lines and in the cavities when every bleeder is through; the outlet looks new before the inside is',
      source: WASHOUT_SOURCE,
      from: [pathVolumeMl],
    }),
  };
}

/** Figures of the whole job. */
export function totalFigures(of: {
  layout: Layout;
  reservoirs: readonly PlanReservoir[];
  openings: readonly PlanOpening[];
  stages: readonly PlanStage[];
  preferences: PlanPreferences;
  treatment: ReservoirTreatment | null;
  removedMl: number;
  /** What a bench run pumps into a can. */
  canMl: readonly Figure[];
  pouredMl: number;
  oldLeftMl: number;
}): PlanTotals {
  const { layout, reservoirs, openings, stages, preferences } = of;
  const sum = (figures: readonly Figure[]) => figures.reduce((total, f) => total + f.value, 0);
  const downwards = openings.filter((s) => s.fromReservoir);
  const bledMl = figure({
    label: 'Fluid to bleed',
    value: sum(downwards.map((s) => s.bledMl)),
    unit: 'mL',
    rule: 'sum over the openings; what is pushed up from below is drawn off the reservoir instead',
    source: ARITHMETIC,
    from: downwards.map((s) => leafFigure(s.bledMl, bleederName(s.bleeder))),
  });
  const filledMl = figure({
    label: 'Swallowed by what is empty',
    value: sum(openings.map((s) => s.fillMl)),
    unit: 'mL',
    rule: 'sum over the openings: it goes into the reservoir and never reaches the jar',
    source: MODEL,
    from: openings
      .filter((s) => s.fillMl.value > 0)
      .map((s) => leafFigure(s.fillMl, bleederName(s.bleeder))),
  });
  const counted = (label: string, unit: 'strokes' | 'marks') => {
    const those = openings
      .filter((s) => s.counted === unit)
      .map((s) => leafFigure(s.strokes, bleederName(s.bleeder)));
    return figure({
      label,
      value: sum(those),
      unit,
      rule: 'sum over the openings',
      source: ARITHMETIC,
      from: those,
    });
  };
  const strokes = counted('Strokes', 'strokes');
  const topUps = figure({
    label: 'Top-ups',
    value: openings.reduce((total, s) => total + s.topUps.length, 0),
    unit: 'times',
    rule: 'one whenever the next stroke, made in full, could take the level below the top-up level',
    source: ARITHMETIC,
    from: openings.map((s) =>
      figure({
        label: bleederName(s.bleeder),
        value: s.topUps.length,
        unit: 'times',
        rule: 'by the level in the simulation',
        source: MODEL,
      }),
    ),
  });
  const rinsed = (of.treatment?.rinses.length ?? 0) > 0;
  const removedMl = figure({
    label: 'Removed from the reservoir first',
    value: of.removedMl + sum(of.canMl),
    unit: 'mL',
    rule: rinsed
      ? 'from MAX down to what a syringe cannot reach, in every chamber, and what was poured in to rinse it'
      : 'from MAX down to what a syringe cannot reach, in every chamber',
    source: ARITHMETIC,
    from: [
      ...of.canMl,
      ...reservoirs.flatMap((b) => [
        sizeFigure(`${b.name} at MAX`, b.maxMl, 'mL', howKnown(b, 'maxMl')),
        sizeFigure(`${b.name}, cannot be drawn`, b.airDrawnMl, 'mL', howKnown(b, 'airDrawnMl')),
      ]),
    ],
  });
  const finalLevel = figure({
    label: 'Change of the reservoir',
    value: of.pouredMl - removedMl.value - bledMl.value - filledMl.value,
    unit: 'mL',
    rule: `level at the end less level at the start: it ends at ${preferences.finalLevel[layout.vehicleKind] === 'MAX' ? 'MAX' : 'midway, to leave room for heat'} or where the last stroke left it`,
    source: PRACTICE,
  });
  const handsOn = [
    ...(of.treatment && of.treatment.way !== 'nothing' ? [reservoirMinutes(of.treatment)] : []),
    ...stages.map((s) => leafFigure(s.minutes, stageTitle(layout, s))),
  ];
  const waiting = stages.flatMap((s) => stageWaiting(s) ?? []);
  return {
    bledMl,
    filledMl,
    strokes,
    marks: counted('Marks', 'marks'),
    topUps,
    removedMl,
    pouredMl: figure({
      label: 'Fluid to pour',
      value: of.pouredMl,
      unit: 'mL',
      rule:
        filledMl.value > 0
          ? 'removed + bled + swallowed by what is empty + change of the reservoir'
          : 'removed + bled + change of the reservoir',
      source: ARITHMETIC,
      from: [removedMl, bledMl, ...(filledMl.value > 0 ? [filledMl] : []), finalLevel],
    }),
    fillings: figure({
      label: 'In reservoirs',
      value:
        of.pouredMl /
        Math.max(
          1,
          reservoirs.reduce((all, b) => all + b.maxMl, 0),
        ),
      unit: 'ratio',
      rule: 'fluid to pour ÷ what the reservoir holds at MAX, all chambers in use',
      source: ARITHMETIC,
      from: reservoirs.map((b) =>
        sizeFigure(`${b.name} at MAX`, b.maxMl, 'mL', howKnown(b, 'maxMl')),
      ),
    }),
    minutes: figure({
      label: 'Hands on',
      value: sum(handsOn),
      unit: 'min',
      rule: 'sum over the stages',
      source: MODEL,
      from: handsOn,
    }),
    waitingMinutes: figure({
      label: 'Waiting',
      value: sum(waiting),
      unit: 'min',
      rule: 'what goes by without hands',
      source: PRACTICE,
      from: waiting,
    }),
    oldLeftMl: figure({
      label: 'Old fluid left inside',
      value: of.oldLeftMl,
      unit: 'mL',
      rule: 'sum of what stays between reservoir and bleeders, each part counted once',
      source: WASHOUT_SOURCE,
      from: openings.map((s) => leafFigure(s.oldLeftMl, bleederName(s.bleeder))),
    }),
    pocketsMl: pocketsFigure(layout),
  };
}

function pocketsFigure(layout: Layout): Figure {
  const pockets = layout.nodes.flatMap((n) =>
    n.kind === 'modulator' ? [sizeFigure(n.name, n.pocketsMl, 'mL', howKnown(n, 'pocketsMl'))] : [],
  );
  return figure({
    label: 'Old fluid in closed pockets',
    value: pockets.reduce((sum, p) => sum + p.value, 0),
    unit: 'mL',
    rule: 'the closed pockets of the modulator keep their fluid: no stroke reaches them, only a tool-driven cycle does',
    source: PRACTICE,
    from: pockets,
  });
}
