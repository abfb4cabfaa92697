import { validateLayout, type Layout } from '@brook/core/circuit';
import { z } from 'zod';
import { line, oneOf } from './common';

const elementId = line('Element id', 1, 60);
const name = line('Element name', 1, 80);
const number = (what: string) => z.number({ error: `${what} is missing; give a number.` });
const heightMm = number('Height above the ground').describe('mm above the ground, vehicle level');
const base = { id: elementId, name, heightMm };

const node = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('port'), ...base }),
  z.strictObject({ kind: z.literal('joint'), ...base }),
  z.strictObject({ kind: z.literal('tee'), ...base }),
  z.strictObject({ kind: z.literal('modulator'), ...base, openPathMl: number('Open path').describe('mL'), pocketsMl: number('Closed pockets').describe('mL') }),
  z.strictObject({ kind: z.literal('caliper'), ...base, cavityMl: number('Cavity').describe('mL') }),
  z.strictObject({ kind: z.literal('wheel cylinder'), ...base, cavityMl: number('Cavity').describe('mL') }),
]);

const shape = z.strictObject({
  version: z.literal(1),
  name: line('Layout name', 1, 80),
  vehicleKind: oneOf('Vehicle kind', ['car', 'motorcycle']),
  driverSide: oneOf('Driver’s side', ['left', 'right', 'middle']),
  reservoir: z.strictObject({
    heightMm,
    chambers: z
      .array(z.strictObject({ id: elementId, name, maxMl: number('Volume at MAX').describe('mL'), minMl: number('Volume at MIN').describe('mL'), airDrawnMl: number('Volume where air is drawn').describe('mL') }))
      .min(1, 'The reservoir has no chamber; give it at least one.')
      .max(4),
  }),
  master: z.strictObject({
    name,
    control: oneOf('Control', ['brake pedal', 'brake lever']),
    heightMm,
    ratio: number('Pedal or lever ratio'),
    chambers: z
      .array(
        z.strictObject({
          id: elementId, name, boreMm: number('Bore').describe('mm'), fullStrokeMm: number('Full stroke').describe('mm'),
          bleedStrokeMm: number('Bleeding stroke').describe('mm'), fedBy: elementId, port: elementId,
        }),
      )
      .max(4),
  }),
  nodes: z.array(node).max(200),
  stretches: z
    .array(
      z.strictObject({
        id: elementId, name, kind: oneOf('Kind of stretch', ['line', 'hose']), from: elementId, to: elementId,
        lengthMm: number('Length').describe('mm'), insideMm: number('Inside diameter').describe('mm'),
      }),
    )
    .max(200),
  bleeders: z
    .array(
      z.strictObject({
        id: elementId, at: elementId, place: oneOf('Place', ['left front', 'right front', 'left rear', 'right rear', 'front', 'rear', 'modulator']),
        wrenchMm: number('Wrench size').describe('mm'), type: oneOf('Kind of bleeder', ['screw', 'quarter turn']),
      }),
    )
    .max(40),
});

/** A layout; refused with every element that is at fault. */
export const layout = shape.superRefine((value, context) => {
  for (const fault of validateLayout(value as Layout)) {
    context.addIssue({ code: 'custom', message: fault.sentence, path: [fault.element] });
  }
});
