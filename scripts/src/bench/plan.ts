import { templateById, type Layout } from '@brook/core/circuit';
import { planBleed, planSearch, previewPlan } from '@brook/core/plan';
import type { Measured } from './report';

const WARM_UP = 50;
const RUNS = 200;
const HATCHBACK = templateById('hatchback-diagonal')!.build('right');
const VAN = templateById('van-four-channel')!.build('right');
/** A four-channel car with two bleeders on every caliper: 40 320 orders. */
const EIGHT: Layout = {
  ...VAN,
  bleeders: VAN.bleeders.flatMap((b) => [
    { ...b, which: 'inner' as const },
    { ...b, id: `${b.id}-outer`, which: 'outer' as const },
  ]),
};
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
  const { totals, stops } = result.plan;
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
      runs: [stops[0]!.strokes.value],
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

/** The certain best over eight bleeders, from the first school to the last order decided, as the worker does it. */
export function planSearch8(): Measured {
  const request = { layout: EIGHT, ...FLUID };
  const result = planBleed(request);
  if (result.verdict === 'refused')
    throw new Error('the layout of this measurement should be planned');
  const search = () => {
    const going = planSearch(request, result.plan)!;
    while (!going.step(400).finished);
  };
  search();
  return {
    name: 'plan.search8',
    unit: 'ms',
    limit: 2000,
    runs: Array.from({ length: 5 }, () => once(search)),
  };
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
