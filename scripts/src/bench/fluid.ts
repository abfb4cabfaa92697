import { compatibility, condition, GRADES, type Sample } from '@brook/core/fluid/verdict';
import { SMALL_CAR, vapourMargin } from '@brook/core/fluid/vapour';
import { ENTRY, figure } from '@brook/core/base/figure';
import type { Measured } from './report';

const RUNS = 200;

/** A verdict on four wheels and the reservoir, and the adviser over every grade. */
export function fluidVerdict(): Measured {
  const sample: Sample = {
    point: 'reservoir',
    colour: 'amber',
    clarity: 'clear',
    foreign: 'none',
    dye: null,
    dropsInWater: null,
    practice: false,
    water: { percent: 2.4, meterGrade: 'DOT 4' },
    boiling: { observedC: 182, ambientHpa: 990 },
    copperPpm: 120,
    pH: 8,
  };
  const samples = ['reservoir', 'left-rear', 'right-rear', 'left-front', 'right-front'].map(
    (point) => ({ ...sample, point }),
  );
  const demands = [{ source: 'cap' as const, grades: ['DOT 4' as const], lowViscosity: false }];
  const candidates = GRADES.map((g) => ({ id: g.grade, grade: g.grade, isoClass: null }));
  return {
    name: 'fluid.verdict',
    unit: 'ms',
    limit: 5,
    runs: timed(() => {
      condition({ grade: 'DOT 4', isoClass: null, lastDye: null, samples });
      compatibility({
        demands,
        follow: null,
        control: 'ABS',
        seals: 'ordinary',
        inSystem: 'DOT 4',
        candidates,
      });
    }),
  };
}

/** Twenty kilometres of descent, the stop and a quarter of an hour of standing. */
export function fluidVapour(): Measured {
  const boiling = figure({
    label: 'Boiling point',
    value: 180,
    unit: '°C',
    rule: 'given',
    source: ENTRY,
  });
  const road = Array.from({ length: 20 }, (_, km) => ({
    lengthM: 1000,
    dropM: 50 + (km % 5) * 8,
    speedMs: 12,
  }));
  return {
    name: 'fluid.vapour20km',
    unit: 'ms',
    limit: 100,
    runs: timed(() =>
      vapourMargin({ vehicle: SMALL_CAR, road, airC: 25, altitudeM: 200, boiling }),
    ),
  };
}

function timed(work: () => unknown): number[] {
  for (let i = 0; i < 20; i++) work();
  return Array.from({ length: RUNS }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
}
