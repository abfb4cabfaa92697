import type { Layout } from '../circuit';
import { ARITHMETIC, figure, MODEL, PRACTICE, type Figure } from '../figure';
import { WASHOUT_SOURCE } from '../washout';
import type { PlanStop, PlanTotals, SimulatedStop } from './plan';
import type { PlanPreferences } from './preferences';

/** Figures of one bleeder from what the simulation found there. */
export function stopFigures(
  s: SimulatedStop,
  preferences: PlanPreferences,
  oldLeftMl: number,
): Pick<PlanStop, 'pathLengthM' | 'pathVolumeMl' | 'strokeMl' | 'neededMl' | 'strokes' | 'bledMl' | 'oldLeftMl'> {
  const { path } = s.ordered;
  const target = figure({
    label: 'Wanted new at the outlet', value: preferences.outletTarget * 100, unit: '%', rule: 'house rule: what a technician can see at the bleeder', source: MODEL,
  });
  const neededMl = figure({
    label: 'Fluid until the outlet is new', value: s.neededMl, unit: 'mL',
    rule: 'simulated along the path: lines laminar (new at the outlet is 1 − 1/(4θ²) after θ line volumes, nothing before ½), master chamber, modulator and caliper mixed (1 − e^−θ), shared stretches as the earlier bleeders left them, reservoir topped up in batches. Bends and pulsed strokes mix, so this is an upper bound.',
    source: WASHOUT_SOURCE,
    from: [path.volumeMl, target],
    // The flow is cut into streamtubes 5 % apart; the 98 % point of a line is good to half of that.
    plusMinus: s.neededMl * 0.025,
  });
  const strokes = figure({
    label: 'Strokes', value: s.strokes, unit: 'strokes', rule: 'fluid needed ÷ fluid in one stroke, rounded up', source: ARITHMETIC, from: [neededMl, s.strokeMl],
  });
  return {
    pathLengthM: path.lengthM,
    pathVolumeMl: path.volumeMl,
    strokeMl: s.strokeMl,
    neededMl,
    strokes,
    bledMl: figure({
      label: 'Fluid to bleed', value: s.strokes * s.strokeMl.value, unit: 'mL', rule: 'strokes × fluid in one stroke', source: ARITHMETIC, from: [strokes, s.strokeMl],
    }),
    oldLeftMl: figure({
      label: 'Old fluid left on this path', value: oldLeftMl, unit: 'mL',
      rule: 'what the simulation leaves along the walls of the lines and in the cavities when every bleeder is through; the outlet looks new before the inside is',
      source: WASHOUT_SOURCE, from: [path.volumeMl],
    }),
  };
}

/** Figures of the whole job. */
export function totalFigures(of: {
  layout: Layout;
  stops: readonly PlanStop[];
  preferences: PlanPreferences;
  removedMl: number;
  pouredMl: number;
  oldLeftMl: number;
}): PlanTotals {
  const { layout, stops, preferences } = of;
  const sum = (figures: readonly Figure[]) => figures.reduce((total, f) => total + f.value, 0);
  const bledMl = figure({
    label: 'Fluid to bleed', value: sum(stops.map((s) => s.bledMl)), unit: 'mL', rule: 'sum over the bleeders', source: ARITHMETIC,
    from: stops.map((s) => ({ ...s.bledMl, label: s.bleeder.place })),
  });
  const strokes = figure({
    label: 'Strokes', value: sum(stops.map((s) => s.strokes)), unit: 'strokes', rule: 'sum over the bleeders', source: ARITHMETIC,
    from: stops.map((s) => ({ ...s.strokes, label: s.bleeder.place })),
  });
  const topUps = figure({
    label: 'Top-ups', value: stops.reduce((total, s) => total + s.topUps.length, 0), unit: 'times',
    rule: 'one whenever the next stroke would take the level below the top-up level', source: ARITHMETIC,
    from: stops.map((s) => figure({ label: s.bleeder.place, value: s.topUps.length, unit: 'times', rule: 'by the level in the simulation', source: MODEL })),
  });
  const removedMl = figure({
    label: 'Removed from the reservoir first', value: of.removedMl, unit: 'mL',
    rule: 'from MAX down to what a syringe cannot reach, in every chamber', source: ARITHMETIC,
    from: layout.reservoir.chambers.flatMap((c) => [
      figure({ label: `${c.name} at MAX`, value: c.maxMl, unit: 'mL', rule: 'in the layout', source: MODEL }),
      figure({ label: `${c.name}, cannot be drawn`, value: c.airDrawnMl, unit: 'mL', rule: 'in the layout', source: MODEL }),
    ]),
  });
  const finalLevel = figure({
    label: 'Change of the reservoir', value: of.pouredMl - of.removedMl - bledMl.value, unit: 'mL',
    rule: `level at the end less level at the start: it ends at ${preferences.finalLevel[layout.vehicleKind] === 'MAX' ? 'MAX' : 'midway, to leave room for heat'} or where the last stroke left it`,
    source: PRACTICE,
  });
  return {
    bledMl,
    strokes,
    topUps,
    removedMl,
    pouredMl: figure({
      label: 'Fluid to pour', value: of.pouredMl, unit: 'mL', rule: 'removed + bled + change of the reservoir', source: ARITHMETIC, from: [removedMl, bledMl, finalLevel],
    }),
    minutes: minutesFigure(layout, stops, preferences, strokes, topUps),
    oldLeftMl: figure({
      label: 'Old fluid left inside', value: of.oldLeftMl, unit: 'mL',
      rule: 'sum of what stays between reservoir and bleeders, each part counted once', source: WASHOUT_SOURCE, from: stops.map((s) => ({ ...s.oldLeftMl, label: `On the path to ${s.bleeder.place}` })),
    }),
    pocketsMl: pocketsFigure(layout),
  };
}

function minutesFigure(layout: Layout, stops: readonly PlanStop[], preferences: PlanPreferences, strokes: Figure, topUps: Figure): Figure {
  const lever = layout.vehicleKind === 'motorcycle';
  const secondsPerStroke = lever ? preferences.secondsPerStrokeLever : preferences.secondsPerStrokeTwoPeople;
  const rule = (label: string, value: number, unit: 's' | 'min') => figure({ label, value, unit, rule: 'house rule', source: MODEL });
  return figure({
    label: 'Hands on', value: stops.length * preferences.minutesPerBleeder + (strokes.value * secondsPerStroke) / 60 + topUps.value * preferences.minutesPerTopUp,
    unit: 'min', rule: 'bleeders, strokes and top-ups, each times its house rule', source: MODEL,
    from: [
      rule('Each bleeder: reach, hose, cap', preferences.minutesPerBleeder, 'min'),
      rule(lever ? 'Each stroke, alone at the lever' : 'Each stroke, two people', secondsPerStroke, 's'),
      rule('Each top-up', preferences.minutesPerTopUp, 'min'),
      strokes,
      topUps,
    ],
  });
}

function pocketsFigure(layout: Layout): Figure {
  const pockets = layout.nodes.flatMap((n) =>
    n.kind === 'modulator' ? [figure({ label: n.name, value: n.pocketsMl, unit: 'mL', rule: 'in the layout', source: MODEL })] : [],
  );
  return figure({
    label: 'Old fluid in closed pockets', value: pockets.reduce((sum, p) => sum + p.value, 0), unit: 'mL',
    rule: 'the closed pockets of the modulator keep their fluid: no stroke reaches them, only a tool-driven cycle does', source: PRACTICE, from: pockets,
  });
}
