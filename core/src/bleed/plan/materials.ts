import { bleederName, isActuator, partElements, sizesOf, type Layout } from '../../vehicle/circuit';
import { ARITHMETIC, figure, MODEL, PRACTICE, type Figure } from '../../base/figure';
import { METHOD_TRAITS, type Method } from '../../hydraulics/flow';
import { nameOf } from '../scope';
import { lowerFirst } from '../../base/text';
import {
  stageMaterials,
  stageTitle,
  stageWaiting,
  type Material,
  type PlanStage,
  type PlanOpening,
} from '../stages';
import {
  RESERVOIR_WAY_WORDS,
  reservoirMinutes,
  type ReservoirTreatment,
} from './reservoirTreatment';
import type { FullPlanRequest } from './request';

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

const POT = 'Pressure pot with a gauge that reads';
/** What a pot must hold so that nobody tops up, mL. */
const potMl = (openings: readonly PlanOpening[]): number =>
  openings
    .filter((s) => METHOD_TRAITS[s.method].brings === 'a pot')
    .reduce((sum, s) => sum + s.bledMl.value + s.fillMl.value, 0);

const KIT: Readonly<Partial<Record<Method, readonly string[]>>> = {
  'two people': ['Clear hose and jar'],
  'alone at the lever': ['Clear hose and jar'],
  'alone, bottle': ['Clear hose, bottle with an inch of new fluid and a vent hole'],
  vacuum: ['Vacuum pump with its jar', 'Clear hose that grips the bleeder'],
  pressure: [POT, 'Cap that seals on this reservoir'],
  gravity: ['Clear hose and jar'],
  reverse: [
    'Clean syringe and hose, and a tie for it',
    'Second syringe to draw the reservoir down',
  ],
  injection: ['Small tipped bulb'],
};

/** Penetrant works over night, minutes [C]. */
const OVER_NIGHT_MINUTES = 10 * 60;
const PREPARING_MINUTES = 15;

/** Tools by the sizes of this layout, hoses and kit by the methods, caps by the open joints, and the timeline. */
export function materialsFor(of: {
  layout: Layout;
  asked: FullPlanRequest;
  openings: readonly PlanOpening[];
  stages: readonly PlanStage[];
  treatment: ReservoirTreatment | null;
}): Materials {
  const { layout, asked, openings, stages } = of;
  const methods = [...new Set(openings.map((s) => s.method))];
  return {
    items: [
      ...wrenches(layout, asked, openings),
      ...methods
        .flatMap((m) => KIT[m] ?? [])
        .filter((what, i, all) => all.indexOf(what) === i)
        .map(
          (what): Material => ({
            kind: 'kit',
            what,
            for: what === POT ? `holds ${Math.ceil(potMl(openings) / 50) * 50} mL at least` : null,
          }),
        ),
      ...(asked.means.selfRefilling && methods.some((m) => METHOD_TRAITS[m].kind === 'steady')
        ? [{ kind: 'kit' as const, what: 'Self-refilling bottle on the reservoir', for: null }]
        : []),
      ...distinct(stages.flatMap((s) => stageMaterials(asked, s))),
      ...blocks(layout, asked, openings),
      ...asked.work.parts.map(
        (p): Material => ({
          kind: 'cap',
          what: 'Plug and cap of the line’s size',
          for: nameOf(layout, p.partId),
        }),
      ),
      ...openings
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

/** What holds pistons in where a part comes off its place, and what shuts the ports of a master that comes off. */
function blocks(
  layout: Layout,
  { work }: FullPlanRequest,
  openings: readonly PlanOpening[],
): Material[] {
  const off = new Set([
    ...work.parts.flatMap((p) => partElements(layout, p.partId)),
    ...openings.flatMap(({ bleeder }) => (bleeder.atTop ? [] : [bleeder.at])),
  ]);
  const held = layout.nodes.flatMap((n): Material[] => {
    if (!off.has(n.id) || !isActuator(n)) return [];
    const what = {
      caliper: 'Block between the pads',
      'wheel cylinder': 'Clamp over the pistons',
      slave: 'Strap over the piston',
    }[n.kind];
    return [{ kind: 'tool', what, for: n.name }];
  });
  const master = work.master && layout.masters.find((m) => m.id === work.master!.masterId);
  return [
    ...held,
    ...(master
      ? [
          {
            kind: 'cap' as const,
            what: `${master.chambers.length} plugs for its ports, caps for its lines`,
            for: master.name,
          },
        ]
      : []),
  ];
}

/** One wrench for each size, with what it fits; a size that nobody knows is asked for. */
function wrenches(
  layout: Layout,
  asked: FullPlanRequest,
  openings: readonly PlanOpening[],
): Material[] {
  const fits = new Map<string, Set<string>>();
  const add = (key: string, what: string) => fits.set(key, (fits.get(key) ?? new Set()).add(what));
  for (const { bleeder } of openings) {
    const { wrenchMm } = sizesOf(bleeder.fitting);
    add(
      wrenchMm === null
        ? 'Wrench for the bleeder, size not known: look'
        : `${wrenchMm} mm six-point or flare-nut wrench`,
      bleederName(bleeder),
    );
  }
  const touched = new Set(asked.work.parts.flatMap((p) => partElements(layout, p.partId)));
  for (const s of layout.stretches) {
    if (!touched.has(s.id) && !touched.has(s.to)) continue;
    // Between the stretches of one part there is no nut.
    if (partElements(layout, s.id).at(-1) !== s.id) continue;
    const size = s.nut && sizesOf(s.nut).wrenchMm;
    add(
      size
        ? `${size} mm flare-nut wrench, and one to hold against`
        : 'Flare-nut wrench, size not known: look',
      nameOf(layout, s.id),
    );
  }
  return [...fits].map(([what, where]) => ({ kind: 'wrench', what, for: [...where].join(', ') }));
}

function timeline({
  layout,
  openings,
  stages,
  treatment,
}: {
  layout: Layout;
  openings: readonly PlanOpening[];
  stages: readonly PlanStage[];
  treatment: ReservoirTreatment | null;
}): TimelinePiece[] {
  const min = (label: string, value: number, rule: string, source = MODEL): Figure =>
    figure({ label, value, unit: 'min', rule, source });
  const stiff = openings
    .map((s) => s.bleeder)
    .filter(
      (b, i, all) =>
        (b.seat === 'stiff' || b.seat === 'seized') && all.findIndex((x) => x.id === b.id) === i,
    );
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
      when: 'today',
      what: 'Prepare',
      handsOn: min(
        'Hands on',
        PREPARING_MINUTES,
        'stands, cap, servo, reservoir, bleeders cracked',
      ),
      waiting: null,
    },
    ...(treatment && treatment.way !== 'nothing'
      ? [
          {
            when: 'today' as const,
            what: `Reservoir: ${lowerFirst(RESERVOIR_WAY_WORDS[treatment.way].title)}`,
            handsOn: reservoirMinutes(treatment),
            waiting: null,
          },
        ]
      : []),
    ...stages.map((s): TimelinePiece => {
      const waiting = stageWaiting(s);
      return {
        when: waiting && waiting.value >= OVER_NIGHT_MINUTES ? 'over night' : 'today',
        what: stageTitle(layout, s),
        handsOn: s.minutes,
        waiting: waiting && { ...waiting, label: 'Waiting' },
      };
    }),
  ];
}

/** Each thing once, where several stages ask for the same. */
function distinct(items: readonly Material[]): Material[] {
  return items.filter((m, i) => items.findIndex((x) => x.what === m.what && x.for === m.for) === i);
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
