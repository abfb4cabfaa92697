import { bleederName, type Layout, type Path } from '../circuit';
import { ARITHMETIC, figure, MODEL, PRACTICE, type Figure } from '../figure';
import { countAt, type OrderSetup, type VisitPrice } from '../order';
import { cycleMinutes, toolSteps } from '../scanTool';
import { WASHOUT_SOURCE } from '../washout';
import type { PlanBowl, PlanStage, PlanStop, PlanTotals } from './plan';
import type { PlanPreferences } from './preferences';
import type { PlanAsked } from './request';
import type { StageDraft } from './draft';

const UNTIL_RULE: Readonly<Record<PlanStop['until'], string>> = {
  new: 'simulated along the path: lines laminar (new at the outlet is 1 − 1/(4θ²) after θ line volumes, nothing before ½), master chamber, modulator and caliper mixed (1 − e^−θ), shared stretches as the earlier bleeders left them, reservoir topped up in batches. Bends and pulsed strokes mix, so this is an upper bound.',
  sweep:
    'the volume of the path once, so that what stands anywhere on the way has reached the bleeder',
  clear: 'three strokes or marks that must be free of bubbles',
};

/** A figure that opens in a row of its own, as a part of another: copies of its parts in every figure would only be in the way. */
const leaf = (of: Figure, label = of.label): Figure => ({
  ...of,
  label,
  rule: `${of.rule}; opens in its own row`,
  from: [],
});

/** Figures of one opening from what the simulation found there. */
export function stopFigures(of: {
  setup: OrderSetup;
  path: Path;
  price: VisitPrice;
  inJarMl: number;
  outOfBottlesMl: number;
  preferences: PlanPreferences;
  oldLeftMl: number;
}): Pick<
  PlanStop,
  | 'pathLengthM'
  | 'pathVolumeMl'
  | 'strokeMl'
  | 'neededMl'
  | 'strokes'
  | 'bledMl'
  | 'jarMl'
  | 'outOfBottlesMl'
  | 'oldLeftMl'
> {
  const { path, price, preferences } = of;
  const { until } = price.visit;
  const strokeMl = countAt(of.setup, price.visit).countMl;
  const unit = strokeMl.label === 'Fluid in one stroke' ? 'strokes' : 'marks';
  const pathVolumeMl = leaf(path.volumeMl);
  const target = figure({
    label: 'Wanted new at the outlet',
    value: preferences.outletTarget * 100,
    unit: '%',
    rule: 'house rule: what a technician can see at the bleeder',
    source: MODEL,
  });
  const neededMl = figure({
    label: until === 'new' ? 'Fluid until the outlet is new' : 'Fluid for this opening',
    value: price.neededMl,
    unit: 'mL',
    rule: UNTIL_RULE[until],
    source: until === 'new' ? WASHOUT_SOURCE : MODEL,
    from: until === 'new' ? [pathVolumeMl, target] : [pathVolumeMl],
    // The flow is cut into streamtubes 5 % apart; the 98 % point of a line is good to half of that.
    ...(until === 'new' ? { plusMinus: price.neededMl * 0.025 } : {}),
  });
  const strokes = figure({
    label: unit === 'strokes' ? 'Strokes' : 'Marks',
    value: price.counts,
    unit,
    rule: `fluid needed ÷ fluid in one, rounded up, and never fewer than the three that must be clear`,
    source: ARITHMETIC,
    from: [neededMl, strokeMl],
  });
  return {
    pathLengthM: path.lengthM,
    pathVolumeMl: path.volumeMl,
    strokeMl,
    neededMl,
    strokes,
    bledMl: figure({
      label: 'Fluid to bleed',
      value: price.counts * strokeMl.value,
      unit: 'mL',
      rule: `${unit} × fluid in one`,
      source: ARITHMETIC,
      from: [strokes, strokeMl],
    }),
    jarMl: figure({
      label: 'Jar stands at afterwards',
      value: of.inJarMl,
      unit: 'mL',
      rule: 'what was bled so far, if the jar is not emptied between the bleeders',
      source: ARITHMETIC,
      from: [strokes, strokeMl].map((f) => leaf(f)),
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

/** Hands-on minutes of a stage that opens no bleeder [M], and what bench work is expected to save. */
const STAGE_MINUTES: Readonly<
  Record<
    Exclude<StageDraft['kind'], 'bleed' | 'tool cycle'>,
    { minutes: number; plusMinus?: number; rule: string }
  >
> = {
  bench: {
    minutes: 15,
    plusMinus: 12,
    rule: 'five to thirty minutes: the chamber nearer the pushrod takes longest',
  },
  'right part': {
    minutes: 5,
    rule: 'held beside the old one, bore and threads measured, pieces counted',
  },
  'join lines': { minutes: 15, rule: 'each line off, capped and on again' },
  'centre the valve': {
    minutes: 15,
    rule: 'one end opened, the piston pushed back, the lamp looked at',
  },
  'hold point': {
    minutes: 5,
    rule: 'pedal or lever measured and judged before the next part is opened',
  },
  'slave test': { minutes: 5, rule: 'one push, one measurement' },
  injection: { minutes: 5, rule: 'a few millilitres, then a look at the level' },
  'tie back': { minutes: 2, rule: 'hands on; it stays tied over night' },
};
/** A lever stays tied back over night, minutes [C]. */
const TIED_BACK_MINUTES = 10 * 60;
/** What a bench-bled master is expected to save at the wheels, minutes [M]. */
const BENCH_SAVES_MINUTES = 20;

/** Minutes of a stage; those of a stage that opens bleeders from its visits. */
export function stageMinutes(
  { layout, preferences }: PlanAsked,
  draft: StageDraft,
  stops: readonly PlanStop[] = [],
): { minutes: Figure; savesMinutes?: Figure; button?: boolean } {
  if (draft.kind === 'bleed') return { minutes: bleedMinutes(preferences, stops) };
  if (draft.kind === 'tool cycle')
    return {
      minutes: cycleMinutes(
        toolSteps(
          layout,
          layout.bleeders.map((b) => b.id),
        ),
      ),
    };
  const { minutes, ...rest } = STAGE_MINUTES[draft.kind];
  const own = figure({ label: 'Hands on', value: minutes, unit: 'min', source: MODEL, ...rest });
  if (draft.kind === 'bench') {
    return {
      minutes: own,
      savesMinutes: figure({
        label: 'Expected to save at the wheels',
        value: BENCH_SAVES_MINUTES,
        unit: 'min',
        plusMinus: 15,
        rule: 'air that never reaches the lines need not be carried through them',
        source: MODEL,
      }),
    };
  }
  // A button, where there is one, serves one end only.
  if (draft.kind === 'centre the valve')
    return {
      minutes: own,
      button: layout.nodes.some(
        (n) =>
          n.kind === 'valve' && n.valve === 'differential' && n.end === draft.endLost && n.button,
      ),
    };
  return { minutes: own };
}

function bleedMinutes(preferences: PlanPreferences, stops: readonly PlanStop[]): Figure {
  const rule = (label: string, value: number, unit: 's' | 'min') =>
    figure({ label, value, unit, rule: 'house rule', source: MODEL });
  const topUps = stops.reduce((sum, s) => sum + s.topUps.length, 0);
  const seconds = stops.map((s) =>
    figure({
      label: bleederName(s.bleeder),
      value: s.strokes.value * s.secondsPerStroke,
      unit: 's',
      rule: `${s.strokes.value} × ${s.secondsPerStroke.toFixed(1)} s`,
      source: ARITHMETIC,
      from: [leaf(s.strokes)],
    }),
  );
  return figure({
    label: 'Hands on',
    value:
      stops.length * preferences.minutesPerBleeder +
      seconds.reduce((sum, s) => sum + s.value, 0) / 60 +
      topUps * preferences.minutesPerTopUp,
    unit: 'min',
    rule: 'openings, strokes or marks, and top-ups, each times its minutes',
    source: MODEL,
    from: [
      rule('Each opening: reach, hose, cap', preferences.minutesPerBleeder, 'min'),
      rule('Each top-up', preferences.minutesPerTopUp, 'min'),
      ...seconds,
    ],
  });
}

/** Figures of the whole job. */
export function totalFigures(of: {
  layout: Layout;
  bowls: readonly PlanBowl[];
  stops: readonly PlanStop[];
  stages: readonly PlanStage[];
  preferences: PlanPreferences;
  removedMl: number;
  pouredMl: number;
  oldLeftMl: number;
}): PlanTotals {
  const { layout, bowls, stops, stages, preferences } = of;
  const sum = (figures: readonly Figure[]) => figures.reduce((total, f) => total + f.value, 0);
  const bledMl = figure({
    label: 'Fluid to bleed',
    value: sum(stops.map((s) => s.bledMl)),
    unit: 'mL',
    rule: 'sum over the openings',
    source: ARITHMETIC,
    from: stops.map((s) => leaf(s.bledMl, bleederName(s.bleeder))),
  });
  const counted = (label: string, unit: 'strokes' | 'marks') => {
    const those = stops
      .filter((s) => s.counted === unit)
      .map((s) => leaf(s.strokes, bleederName(s.bleeder)));
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
    value: stops.reduce((total, s) => total + s.topUps.length, 0),
    unit: 'times',
    rule: 'one whenever the next stroke would take the level below the top-up level',
    source: ARITHMETIC,
    from: stops.map((s) =>
      figure({
        label: bleederName(s.bleeder),
        value: s.topUps.length,
        unit: 'times',
        rule: 'by the level in the simulation',
        source: MODEL,
      }),
    ),
  });
  const removedMl = figure({
    label: 'Removed from the reservoir first',
    value: of.removedMl,
    unit: 'mL',
    rule: 'from MAX down to what a syringe cannot reach, in every chamber',
    source: ARITHMETIC,
    from: bowls.flatMap((b) => [
      figure({
        label: `${b.name} at MAX`,
        value: b.maxMl,
        unit: 'mL',
        rule: 'in the layout',
        source: MODEL,
      }),
      figure({
        label: `${b.name}, cannot be drawn`,
        value: b.airDrawnMl,
        unit: 'mL',
        rule: 'in the layout',
        source: MODEL,
      }),
    ]),
  });
  const finalLevel = figure({
    label: 'Change of the reservoir',
    value: of.pouredMl - of.removedMl - bledMl.value,
    unit: 'mL',
    rule: `level at the end less level at the start: it ends at ${preferences.finalLevel[layout.vehicleKind] === 'MAX' ? 'MAX' : 'midway, to leave room for heat'} or where the last stroke left it`,
    source: PRACTICE,
  });
  const waiting = stages
    .filter((s) => s.kind === 'tie back')
    .map(() =>
      figure({
        label: 'Lever tied back',
        value: TIED_BACK_MINUTES,
        unit: 'min',
        rule: 'over night',
        source: PRACTICE,
      }),
    );
  return {
    bledMl,
    strokes,
    marks: counted('Marks', 'marks'),
    topUps,
    removedMl,
    pouredMl: figure({
      label: 'Fluid to pour',
      value: of.pouredMl,
      unit: 'mL',
      rule: 'removed + bled + change of the reservoir',
      source: ARITHMETIC,
      from: [removedMl, bledMl, finalLevel],
    }),
    fillings: figure({
      label: 'In fillings of the reservoir',
      value:
        of.pouredMl /
        Math.max(
          1,
          bowls.reduce((all, b) => all + b.maxMl, 0),
        ),
      unit: 'ratio',
      rule: 'fluid to pour ÷ what the reservoir holds at MAX, all chambers in use',
      source: ARITHMETIC,
      from: bowls.map((b) =>
        figure({
          label: `${b.name} at MAX`,
          value: b.maxMl,
          unit: 'mL',
          rule: 'in the layout',
          source: MODEL,
        }),
      ),
    }),
    minutes: figure({
      label: 'Hands on',
      value: sum(stages.map((s) => s.minutes)),
      unit: 'min',
      rule: 'sum over the stages',
      source: MODEL,
      from: stages.map((s) => leaf(s.minutes, s.kind)),
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
      from: stops.map((s) => leaf(s.oldLeftMl, bleederName(s.bleeder))),
    }),
    pocketsMl: pocketsFigure(layout),
  };
}

function pocketsFigure(layout: Layout): Figure {
  const pockets = layout.nodes.flatMap((n) =>
    n.kind === 'modulator'
      ? [
          figure({
            label: n.name,
            value: n.pocketsMl,
            unit: 'mL',
            rule: 'in the layout',
            source: MODEL,
          }),
        ]
      : [],
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
