import { templateById } from '@brook/core/circuit';
import { planBleed } from '@brook/core/plan';
import type { Measured } from './report';

const WARM_UP = 50;
const RUNS = 200;

/** A plan for a four-wheel car, in core alone. */
export function planFourWheel(): Measured {
  const layout = templateById('hatchback-diagonal')!.build('right');
  const plan = () => planBleed({ layout, fillGrade: 'DOT 4', newColour: 'clear' });
  for (let i = 0; i < WARM_UP; i++) plan();
  const runs = Array.from({ length: RUNS }, () => {
    const start = performance.now();
    plan();
    return performance.now() - start;
  });
  return { name: 'plan.fourWheel', unit: 'ms', limit: 5, runs };
}
