import { bleederName, chambersOf, type Layout, circuitOf } from '../../vehicle/circuit';
import { ARITHMETIC, figure, leafFigure, MODEL, type Figure } from '../../base/figure';
import { METHOD_TRAITS, type Method } from '../../hydraulics/flow';
import { findScope, isSoft, openedBy, type ScopeFinding, type WorkDone } from '../scope';
import {
  bleed as bleedDraft,
  each,
  once,
  STROKES,
  working,
  type BleedDraft,
  type BleedPurpose,
} from './bleedDrafts';
import type { HoldPointDraft } from './holdPoint';
import type { StageHead, StageInput, StagePreferences } from './base';
import type { PlanOpening } from './opening';
import type { StageKind } from './kind';

export type BleedStage = StageHead &
  Omit<BleedDraft, 'visits'> & {
    readonly openingIds: readonly string[];
    /** What drips without hands; plans of rules before 8 reckoned it as hands on. */
    readonly waitingMinutes?: Figure | null;
  };

const TITLES: Readonly<Record<BleedPurpose, string>> = {
  bleed: 'Bleed',
  prime: 'Prime',
  'old fluid out': 'Old fluid out, downwards',
  'finish with strokes': 'Finish with strokes',
  'in turn until clear': 'Round again, in turn until clear',
  'again after the tool': 'Base bleed again',
  'second part': 'Bleed for the second part',
};

export const bleed: StageKind<BleedDraft, BleedStage, HoldPointDraft> = {
  drafts: (input) => {
    const { layout, work, finding, method, open } = input;
    const main = method === 'injection' ? (working(input, STROKES) ?? 'two people') : method;
    const held = input.holdPoint ? heldParts(layout, work, finding) : null;
    if (held) {
      return [
        bleedDraft('bleed', main, input.orderOf(held.first, main)),
        { kind: 'hold point', partId: held.secondPart },
        bleedDraft('second part', main, input.orderOf(held.second, main)),
      ];
    }
    return open.length > 0 ? mainStages(input, main) : [];
  },
  title: (_, { purpose }) => TITLES[purpose],
  waiting: null,
  // Hoses, jars and caps follow from the openings of all stages together.
  materials: () => [],
};

/** Minutes of a stage that opens bleeders, from its openings. */
export function bleedMinutes(
  preferences: StagePreferences,
  openings: readonly PlanOpening[],
): Figure {
  const rule = (label: string, value: number, unit: 's' | 'min') =>
    figure({ label, value, unit, rule: 'house rule', source: MODEL });
  const topUps = openings.reduce((sum, s) => sum + s.topUps.length + (s.drawOffs?.length ?? 0), 0);
  const walked = openings.reduce((sum, s) => sum + (METHOD_TRAITS[s.method].moreMinutes ?? 0), 0);
  const counted = openings.filter((s) => !METHOD_TRAITS[s.method].drips);
  const seconds = counted.map((s) =>
    figure({
      label: bleederName(s.bleeder),
      value: s.strokes.value * s.secondsPerStroke,
      unit: 's',
      rule: `${s.strokes.value} × ${s.secondsPerStroke.toFixed(1)} s`,
      source: ARITHMETIC,
      from: [leafFigure(s.strokes)],
    }),
  );
  return figure({
    label: 'Hands on',
    value:
      openings.length * preferences.minutesPerBleeder +
      walked +
      seconds.reduce((sum, s) => sum + s.value, 0) / 60 +
      topUps * preferences.minutesPerTopUp,
    unit: 'min',
    rule: 'openings, strokes or marks, and top-ups, each times its minutes',
    source: MODEL,
    from: [
      rule('Each opening: reach, hose, cap', preferences.minutesPerBleeder, 'min'),
      rule('Each top-up or draw-off', preferences.minutesPerTopUp, 'min'),
      ...(walked > 0
        ? [
            figure({
              label: 'Walks between pedal and wheel',
              value: walked,
              unit: 'min',
              rule: 'two minutes at each opening, alone with bottle and hose',
              source: MODEL,
            }),
          ]
        : []),
      ...seconds,
    ],
  });
}

/** What drips by itself in a stage, minutes; null where hands move every drop. */
export function bleedWaiting(openings: readonly PlanOpening[]): Figure | null {
  const dripping = openings.filter((s) => METHOD_TRAITS[s.method].drips);
  if (dripping.length === 0) return null;
  return figure({
    label: 'Dripping',
    value: dripping.reduce((sum, s) => sum + s.strokes.value * s.secondsPerStroke, 0) / 60,
    unit: 'min',
    rule: 'marks × the time of one by the flow of the layout; somebody looks at reservoir and jar meanwhile',
    source: MODEL,
    from: dripping.map((s) => leafFigure(s.strokes, bleederName(s.bleeder))),
  });
}

/** The bleed itself, with what goes before and after it. Whatever the chain, the last pass at every bleeder must be free of bubbles. */
function mainStages(input: StageInput, main: Method): BleedDraft[] {
  const { work, finding, open } = input;
  const air = finding.air.size > 0 || isSoft(work);
  const strokes = working(input, STROKES);
  const empty = work.purpose === 'new or dry';
  const stages: BleedDraft[] = [];
  const fromBelow = METHOD_TRAITS[main].reverse;
  if (empty) {
    const prime = STROKES.includes(main) ? working(input, ['vacuum']) : main;
    if (prime)
      stages.push(bleedDraft('prime', prime, each(once(input.orderOf(open, prime)), 'sweep')));
  }
  if (fromBelow && !empty) {
    const down = working(input, [...STROKES, 'pressure', 'vacuum', 'gravity']);
    if (down) stages.push(bleedDraft('old fluid out', down, input.orderOf(open, down)));
  }
  const then = empty && strokes && !STROKES.includes(main) ? strokes : main;
  if (fromBelow && !empty)
    stages.push(bleedDraft('bleed', main, each(once(input.orderOf(open, main)), 'sweep')));
  else stages.push(bleedDraft('bleed', then, input.orderOf(open, then)));
  if (empty && open.length > 1)
    stages.push(
      bleedDraft('in turn until clear', then, each(once(input.orderOf(open, then)), 'clear')),
    );
  else if (strokes && !STROKES.includes(then) && (air || then === 'vacuum'))
    stages.push(
      bleedDraft('finish with strokes', strokes, each(once(input.orderOf(open, strokes)), 'clear')),
    );
  return stages;
}

/** Two changed parts of one circuit, whose bleeders are opened in two goes; null where there is nothing to hold for. */
function heldParts(
  layout: Layout,
  work: WorkDone,
  finding: ScopeFinding,
): { first: string[]; second: string[]; secondPart: string } | null {
  const [a, b] = work.parts;
  // Where air is looked for everywhere nothing can be held back.
  if (!a || !b || work.purpose !== 'after work' || isSoft(work)) return null;
  if (finding.drewAir.length > 0 || finding.airInModulator) return null;
  const sameCircuit = chambersOf(layout).some(({ chamber }) =>
    [a, b].every((p) => circuitOf(layout, chamber).has(p.partId)),
  );
  if (!sameCircuit) return null;
  const first = openedBy(findScope(layout, { ...work, parts: [a] }));
  const second = openedBy(findScope(layout, { ...work, parts: work.parts.slice(1) }));
  return first.length > 0 && second.length > 0 ? { first, second, secondPart: b.partId } : null;
}
