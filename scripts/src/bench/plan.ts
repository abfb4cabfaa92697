import { type Layout } from '@brook/core/vehicle/circuit';
import { templateById } from '@brook/core/vehicle/circuit/templates';
import type { OrderSearch } from '@brook/core/hydraulics/order';
import { planBleed, planSearch, planSureties, previewPlan } from '@brook/core/bleed/plan';
import type { Measured } from './report';

const WARM_UP = 50;
const RUNS = 200;
const HATCHBACK = templateById('hatchback-diagonal')!.build('right');
const VAN = templateById('van-four-channel')!.build('right');
/** Two bleeders on every caliper: 40 320 orders. */
const doubled = (layout: Layout): Layout => ({
  ...layout,
  bleeders: layout.bleeders.flatMap((b) => [
    { ...b, which: 'inner' as const },
    { ...b, id: `${b.id}-outer`, which: 'outer' as const },
  ]),
});
const EIGHT = doubled(VAN);

const PLACES_OF_EIGHT = [
  'left front',
  'right front',
  'left rear',
  'right rear',
  'front',
  'rear',
  'sidecar',
  'modulator',
] as const;

/** One line with eight tees, each with a short branch to a caliper of its own. */
function comb(mainInsideMm: number): Layout {
  const veteran = templateById('veteran-single')!.build('right');
  const port = veteran.nodes.find((n) => n.kind === 'port')!;
  const caliper = HATCHBACK.nodes.find((n) => n.kind === 'caliper')!;
  const line = veteran.stretches[0]!;
  const eight = PLACES_OF_EIGHT.map((place, i) => ({ place, i }));
  return {
    ...veteran,
    name: 'A comb',
    nodes: [
      port,
      ...eight.flatMap(({ place, i }) => [
        { kind: 'tee' as const, id: `tee-${i}`, name: `Tee ${i}`, heightMm: 400 },
        { ...caliper, id: `caliper-${i}`, name: `Caliper ${place}`, heightMm: 350 },
      ]),
    ],
    stretches: eight.flatMap(({ i }) => [
      {
        ...line,
        id: `main-${i}`,
        name: `Main ${i}`,
        from: i === 0 ? port.id : `tee-${i - 1}`,
        to: `tee-${i}`,
        lengthMm: 500,
        insideMm: mainInsideMm,
      },
      {
        ...line,
        id: `branch-${i}`,
        name: `Branch ${i}`,
        from: `tee-${i}`,
        to: `caliper-${i}`,
        lengthMm: 300,
      },
    ]),
    bleeders: eight.map(({ place, i }) => ({
      ...HATCHBACK.bleeders[0]!,
      id: `bleeder-${i}`,
      at: `caliper-${i}`,
      place,
    })),
  };
}

/** Front and rear apart, two big calipers' bleeders at each corner, no modulator. */
const RACE_CAR: Layout = doubled({
  ...templateById('estate-front-rear')!.build('right'),
  name: 'A race car',
});

/** Layouts on which the search has the most to do. */
const HARD: readonly Layout[] = [EIGHT, doubled(HATCHBACK), comb(3.35), comb(4.9), RACE_CAR];
const FLUID = { fillGrade: 'DOT 4', newColour: 'clear' } as const;

/** A plan for a four-wheel car, in core alone. */
export function planFourWheel(): Measured {
  return {
    name: 'plan.fourWheel',
    unit: 'ms',
    limit: 5,
    runs: timed(RUNS, () => planBleed({ layout: HATCHBACK, ...FLUID })),
  };
}

/** Strokes of a plain hatchback flush with the default rules: in all, and at the far wheel. */
export function planHatchbackStrokes(): Measured[] {
  const result = planBleed({ layout: HATCHBACK, ...FLUID });
  if (result.verdict === 'refused')
    throw new Error('the layout of this measurement should be planned');
  const { totals, openings } = result.plan;
  return [
    {
      name: 'plan.hatchback.strokes',
      unit: 'strokes',
      limit: 110,
      runs: [totals.strokes.value],
    },
    {
      name: 'plan.hatchback.strokes.farWheel',
      unit: 'strokes',
      limit: 30,
      runs: [openings[0]!.strokes.value],
    },
  ];
}

/** The preview of a four-channel car with every school priced, in core alone. */
export function planSchools(): Measured {
  return {
    name: 'plan.schools',
    unit: 'ms',
    limit: 50,
    runs: timed(60, () => previewPlan({ layout: VAN, ...FLUID })),
  };
}

/** All sixteen corners of what the model assumes, for every school of a four-channel car, as the worker works them out. */
export function planCorners(): Measured {
  const request = { layout: VAN, ...FLUID };
  const preview = previewPlan(request);
  if (preview.result.verdict === 'refused')
    throw new Error('the layout of this measurement should be planned');
  const { plan } = preview.result;
  return {
    name: 'plan.corners',
    unit: 'ms',
    limit: 800,
    runs: Array.from({ length: 7 }, () => once(() => planSureties(request, plan, preview.orders))),
  };
}

/** The certain best over eight bleeders, from the best school to the last order decided, with the stop at 3 % off. */
export function planSearch8(): Measured {
  const search = searchOf(EIGHT);
  const toCertainty = () => {
    const going = search();
    while (!going.step(400).finished);
  };
  toCertainty();
  return {
    name: 'plan.search8',
    unit: 'ms',
    limit: 2000,
    runs: Array.from({ length: 5 }, () => once(toCertainty)),
  };
}

/** Certainty on the worst of five layouts with eight bleeders, and how far the best after two seconds lies above it. */
export function planSearch8Worst(): Measured[] {
  const found = HARD.map((layout) => {
    const going = searchOf(layout)();
    const start = performance.now();
    let at2s: number | null = null;
    let state = going.state();
    while (!state.finished) {
      state = going.step(400);
      if (at2s === null && performance.now() - start >= 2000) at2s = state.bledMl;
    }
    return {
      seconds: (performance.now() - start) / 1000,
      above: (at2s ?? state.bledMl) / state.bledMl,
    };
  });
  return [
    {
      name: 'plan.search8.worst',
      unit: 's',
      limit: 20,
      runs: [Math.max(...found.map((f) => f.seconds))],
    },
    {
      name: 'plan.search8.at2s',
      unit: 'ratio',
      limit: 1.01,
      runs: [Math.max(...found.map((f) => f.above))],
    },
  ];
}

function searchOf(layout: Layout): () => OrderSearch {
  const request = { layout, ...FLUID };
  const { result, orders } = previewPlan(request);
  if (result.verdict === 'refused')
    throw new Error('the layout of this measurement should be planned');
  return () => planSearch(request, result.plan, orders)!;
}

function timed(times: number, work: () => unknown): number[] {
  for (let i = 0; i < WARM_UP; i++) work();
  return Array.from({ length: times }, () => once(work));
}

function once(work: () => unknown): number {
  const start = performance.now();
  work();
  return performance.now() - start;
}
