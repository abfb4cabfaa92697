import { templateById } from '@brook/core/vehicle/circuit/templates';
import { airLeft, normals, ruled } from '@brook/core/control/air';
import { curveOf, forcesFor, pedalSetup } from '@brook/core/control/pedal';
import type { Measured } from './report';

const SETUP = pedalSetup(templateById('hatchback-diagonal')!.build('right'), 'master');
const CARS = 200;
const MOST_AIR_ML = 2;

/** A car of its own: springs, play, clearance and widening as far off as the model says that they may be, and pads that moved since the baseline. */
function car(seed: number) {
  const chance = normals(seed);
  const about = (of: { readonly value: number; readonly plusMinus?: number }, least: number) =>
    Math.max(least, of.value + of.plusMinus! * chance());
  const then = {
    ...curveOf(SETUP),
    preloadN: about(SETUP.preloadN, 10),
    playMm: about(SETUP.playMm, 0.1),
    clearanceMl: about(SETUP.clearanceMl, 0.05),
    complianceMlPerMPa: about(SETUP.complianceMlPerMPa, 0.02),
  };
  // Two millimetres at the pedal, as the model has it.
  const padsMl = (2 * chance() * SETUP.areaMm2) / SETUP.ratio / 1000;
  const now = { ...then, clearanceMl: Math.max(0, then.clearanceMl + padsMl) };
  const airMl = (MOST_AIR_ML * (seed % 41)) / 40;
  // A hand does not know this vehicle's own springs.
  const usual = { forces: forcesFor('pedal', curveOf(SETUP)) };
  return {
    airMl,
    now: ruled(now, airMl, chance, usual),
    baseline: ruled(then, 0, chance, usual),
  };
}

/** Of seeded cars, how many lie in the band that should hold 19 of 20. */
export function airCoverage(): Measured {
  const held = Array.from({ length: CARS }, (_, i) => {
    const { airMl, now, baseline } = car(i + 1);
    const found = airLeft(SETUP, now, baseline);
    return Math.abs(found.ml - airMl) <= found.plusMinusMl;
  }).filter(Boolean).length;
  return { name: 'air.coverage', unit: 'ratio', least: 0.9, limit: 0.99, runs: [held / CARS] };
}

/** Air from one car's readings, its uncertainty among it. */
export function airInverse(): Measured {
  const { now, baseline } = car(7);
  const runs = Array.from({ length: 20 }, (_, i) => {
    const from = performance.now();
    airLeft(SETUP, now, baseline, { seed: i + 1 });
    return performance.now() - from;
  });
  return { name: 'air.inverse', unit: 'ms', limit: 200, runs };
}
