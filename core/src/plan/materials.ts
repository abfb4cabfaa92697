import { bleederName, sizesOf, type Layout } from '../circuit';
import { ARITHMETIC, figure, MODEL, PRACTICE, type Figure } from '../figure';
import { METHOD_TRAITS, type Method } from '../flow';
import { usualPieces } from '../part';
import { nameOf } from '../scope';
import { lowerFirst } from '../text';
import { linesOf } from './joining';
import type { PlanStage, PlanStop } from './plan';
import type { PlanAsked } from './request';

/** One thing to lay out before the start. */
export interface Material {
  readonly kind: 'wrench' | 'tool' | 'kit' | 'cap' | 'protection';
  readonly what: string;
  /** What it is for, or null where it speaks for itself. */
  readonly for: string | null;
}

/** One piece of the day: hands-on and waiting minutes. */
export interface TimelinePiece {
  readonly when: 'the day before' | 'today' | 'over night';
  readonly what: string;
  readonly handsOn: Figure;
  readonly waiting: Figure | null;
}

/** What must be at hand, and how the time goes. */
export interface Materials {
  readonly items: readonly Material[];
  readonly timeline: readonly TimelinePiece[];
}

const KIT: Readonly<Partial<Record<Method, readonly string[]>>> = {
  'two people': ['Clear hose and jar'],
  'alone at the lever': ['Clear hose and jar'],
  'alone, bottle': ['Clear hose, bottle with an inch of new fluid and a vent hole'],
  vacuum: ['Vacuum pump with its jar', 'Clear hose that grips the bleeder'],
  pressure: ['Pressure pot with a gauge that reads', 'Cap that seals on this reservoir'],
  gravity: ['Clear hose and jar'],
  reverse: [
    'Clean syringe and hose, and a tie for it',
    'Second syringe to draw the reservoir down',
  ],
  injection: ['Small tipped bulb'],
};

/** Penetrant works over night, minutes [C]. */
const OVER_NIGHT_MINUTES = 10 * 60;
/** New fluid that travelled rests, minutes [M]. */
const REST_MINUTES = 60;
const PREPARING_MINUTES = 15;

/** Tools by the sizes of this layout, hoses and kit by the methods, caps by the open joints, and the timeline. */
export function materialsFor(of: {
  layout: Layout;
  asked: PlanAsked;
  stops: readonly PlanStop[];
  stages: readonly PlanStage[];
}): Materials {
  const { layout, asked, stops, stages } = of;
  const methods = [...new Set(stops.map((s) => s.method))];
  return {
    items: [
      ...wrenches(layout, asked, stops),
      ...methods
        .flatMap((m) => KIT[m] ?? [])
        .filter((what, i, all) => all.indexOf(what) === i)
        .map((what): Material => ({ kind: 'kit', what, for: null })),
      ...(asked.means.selfRefilling && methods.some((m) => METHOD_TRAITS[m].kind === 'steady')
        ? [{ kind: 'kit' as const, what: 'Self-refilling bottle on the reservoir', for: null }]
        : []),
      ...(stages.some((s) => s.kind === 'bench')
        ? [
            {
              kind: 'kit' as const,
              what:
                asked.preferences.benchFill === 'into a can'
                  ? 'Soft jaws, hoses into a can'
                  : 'Soft jaws, hoses from the ports back into the reservoir',
              for: 'the master on the bench',
            },
          ]
        : []),
      ...(stages.some((s) => s.kind === 'tool cycle')
        ? [
            {
              kind: 'tool' as const,
              what: 'Scan tool that cycles this modulator',
              for: 'between the two base bleeds',
            },
          ]
        : []),
      ...stages.flatMap((s) =>
        s.kind === 'right part'
          ? usualPieces(layout, s.partId)
              .filter((p) => p.comes === 'new')
              .map(
                (p): Material => ({
                  kind: 'kit',
                  what: `${p.count} × ${lowerFirst(p.what)}, new`,
                  for: nameOf(layout, s.partId),
                }),
              )
          : [],
      ),
      ...stages.flatMap((s) =>
        s.kind === 'join lines'
          ? linesOf(layout, s.masterId).map(
              (l): Material => ({
                kind: 'cap',
                what: 'Cap for the line, plug for its port',
                for: l.name,
              }),
            )
          : [],
      ),
      ...asked.work.parts.map(
        (p): Material => ({
          kind: 'cap',
          what: 'Plug and cap of the line’s size',
          for: nameOf(layout, p.partId),
        }),
      ),
      ...stops
        .map((s) => s.bleeder)
        .filter((b, i, all) => all.findIndex((x) => x.id === b.id) === i)
        .map((b): Material => ({ kind: 'cap', what: 'Bleeder cap', for: bleederName(b) })),
      {
        kind: 'protection',
        what: 'Glasses, nitrile gloves, cover for the paint, water',
        for: null,
      },
    ],
    timeline: timeline(of),
  };
}

/** One wrench for each size, with what it fits; a size that nobody knows is asked for. */
function wrenches(layout: Layout, asked: PlanAsked, stops: readonly PlanStop[]): Material[] {
  const fits = new Map<string, Set<string>>();
  const add = (key: string, what: string) => fits.set(key, (fits.get(key) ?? new Set()).add(what));
  for (const { bleeder } of stops) {
    const { wrenchMm } = sizesOf(bleeder.fitting);
    add(
      wrenchMm === null
        ? 'Wrench for the bleeder, size not known: look'
        : `${wrenchMm} mm six-point or flare-nut wrench`,
      bleederName(bleeder),
    );
  }
  const touched = new Set(asked.work.parts.map((p) => p.partId));
  for (const s of layout.stretches) {
    if (!touched.has(s.id) && !touched.has(s.to)) continue;
    const size = s.nut && sizesOf(s.nut).wrenchMm;
    add(
      size
        ? `${size} mm flare-nut wrench, and one to hold against`
        : 'Flare-nut wrench, size not known: look',
      s.name,
    );
  }
  return [...fits].map(([what, where]) => ({ kind: 'wrench', what, for: [...where].join(', ') }));
}

function timeline({
  layout,
  stops,
  stages,
}: {
  layout: Layout;
  stops: readonly PlanStop[];
  stages: readonly PlanStage[];
}): TimelinePiece[] {
  const min = (label: string, value: number, rule: string, source = MODEL): Figure =>
    figure({ label, value, unit: 'min', rule, source });
  const stiff = stops
    .map((s) => s.bleeder)
    .filter((b, i, all) => b.seat !== 'free' && all.findIndex((x) => x.id === b.id) === i);
  const before: TimelinePiece[] =
    stiff.length === 0
      ? []
      : [
          {
            when: 'the day before',
            what: `Penetrant on the bleeders ${stiff.map(bleederName).join('; ')}`,
            handsOn: min('Hands on', stiff.length, 'a minute each'),
            waiting: min(
              'Waiting',
              OVER_NIGHT_MINUTES,
              'over night; fifteen minutes are the least',
              PRACTICE,
            ),
          },
        ];
  return [
    ...before,
    {
      when: 'the day before',
      what: 'New fluid off the van and at rest',
      handsOn: min('Hands on', 1, 'put it on the shelf'),
      waiting: min('Waiting', REST_MINUTES, 'fine bubbles rise by Stokes; never shake it'),
    },
    {
      when: 'today',
      what: 'Prepare',
      handsOn: min(
        'Hands on',
        PREPARING_MINUTES,
        'stands, cap, servo, reservoir, bleeders cracked',
      ),
      waiting: null,
    },
    ...stages.map(
      (s): TimelinePiece => ({
        when: s.kind === 'tie back' ? 'over night' : 'today',
        what: stageTitle(layout, s),
        handsOn: s.minutes,
        waiting:
          s.kind === 'tie back'
            ? min(
                'Waiting',
                OVER_NIGHT_MINUTES,
                'over night; a drop of the bite point tells a leak or air that moved',
                PRACTICE,
              )
            : null,
      }),
    ),
  ];
}

/** What a stage is called, where one line must do. */
export function stageTitle(layout: Layout, stage: PlanStage): string {
  switch (stage.kind) {
    case 'right part':
      return `Compare the new part: ${nameOf(layout, stage.partId)}`;
    case 'slave test':
      return {
        blocked: 'Prove the clutch: slave blocked',
        travel: 'Prove the clutch: travel of the slave',
        'take-up': 'Prove the clutch: take-up and reverse',
      }[stage.way];
    case 'bench':
      return stage.set
        ? 'Clutch set on the bench'
        : `${nameOf(layout, stage.masterId)} on the bench`;
    case 'join lines':
      return `Join the lines to ${nameOf(layout, stage.masterId)}`;
    case 'centre the valve':
      return 'Push the piston of the differential valve back';
    case 'tool cycle':
      return 'Cycle the modulator with the scan tool';
    case 'hold point':
      return `Hold: prove the pedal before ${nameOf(layout, stage.partId)} is opened`;
    case 'injection':
      return 'Inject fluid at the master’s port';
    case 'tie back':
      return 'Tie the lever back';
    case 'bleed':
      return {
        bleed: 'Bleed',
        prime: 'Prime',
        'old fluid out': 'Old fluid out, downwards',
        'finish with strokes': 'Finish with strokes',
        'in turn until clear': 'Round again, in turn until clear',
        'again after the tool': 'Base bleed again',
        'second part': 'Bleed for the second part',
      }[stage.purpose];
  }
}

/** Minutes in all, hands-on. */
export function handsOnMinutes(materials: Materials): Figure {
  return figure({
    label: 'Hands on, preparing included',
    value: materials.timeline.reduce((sum, t) => sum + t.handsOn.value, 0),
    unit: 'min',
    rule: 'sum over the timeline',
    source: ARITHMETIC,
    from: materials.timeline.map((t) => ({ ...t.handsOn, label: t.what })),
  });
}
