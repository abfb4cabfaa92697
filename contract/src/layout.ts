import {
  ABS_KINDS,
  CONTROLS,
  PLACES,
  SEATS,
  validateLayout,
  VALVE_KINDS,
  WAYS_KNOWN,
  WHICH,
  type Layout,
  VEHICLE_KINDS,
} from '@brook/core/vehicle/circuit';
import { z } from 'zod';
import { line, oneOf } from './common';

const elementId = line('Element id', 1, 60);
const name = line('Element name', 1, 80);
const number = (what: string) => z.number({ error: `${what} is missing; give a number.` });
const yes = (what: string) => z.boolean({ error: `${what} should be true or false.` });
const heightMm = number('Height above the ground').describe('mm above the ground, vehicle level');
const known = z
  .record(z.string().max(40), oneOf('How it is known', WAYS_KNOWN))
  .optional()
  .describe('Sizes of it that were measured or looked up; the others are guesses');
const base = { id: elementId, name, heightMm, known };
const actuator = {
  ...base,
  cavityMl: number('Cavity').describe('mL'),
  pistonMm: number('Piston diameter').describe('mm'),
  pistons: number('Number of pistons'),
  retractionMm: number('Retraction').describe('mm'),
};

const sizes = z.strictObject({
  wrenchMm: number('Wrench size').nullable().describe('mm'),
  thread: line('Thread', 1, 30).nullable(),
  torqueNm: number('Torque').nullable().describe('N·m, by the manual; never a guess'),
});
const fitting = z.strictObject({
  listed: sizes,
  found: sizes.nullable().describe('As found on this vehicle; it wins'),
});

const node = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('port'), ...base }),
  z.strictObject({ kind: z.literal('joint'), ...base }),
  z.strictObject({ kind: z.literal('tee'), ...base }),
  z.strictObject({
    kind: z.literal('valve'),
    ...base,
    valve: oneOf('Valve', VALVE_KINDS),
    end: oneOf('End', ['front', 'rear']).nullable(),
    button: yes('Button'),
  }),
  z.strictObject({
    kind: z.literal('modulator'),
    ...base,
    openPathMl: number('Open path').describe('mL'),
    pocketsMl: number('Closed pockets').describe('mL'),
  }),
  z.strictObject({ kind: z.literal('caliper'), ...actuator }),
  z.strictObject({ kind: z.literal('wheel cylinder'), ...actuator }),
  z.strictObject({
    kind: z.literal('slave'),
    ...actuator,
    inGearbox: yes('Inside the gearbox'),
    holdable: yes('Holdable'),
  }),
]);

const chamber = z.strictObject({
  id: elementId,
  name,
  boreMm: number('Bore').describe('mm'),
  fullStrokeMm: number('Full stroke').describe('mm'),
  bleedStrokeMm: number('Bleeding stroke').describe('mm'),
  fedBy: elementId,
  outlet: z.strictObject({
    airDrawnMl: number('Volume where air is drawn').describe('mL in the reservoir'),
    belowMaxMm: number('Outlet below MAX').describe('mm'),
  }),
  port: elementId,
  known,
});

const shape = z.strictObject({
  version: z.literal(2),
  name: line('Layout name', 1, 80),
  vehicleKind: oneOf('Vehicle kind', VEHICLE_KINDS),
  driverSide: oneOf('Driver’s side', ['left', 'right', 'middle']),
  abs: oneOf('Kind of ABS', ABS_KINDS),
  reservoirs: z
    .array(
      z.strictObject({
        id: elementId,
        name,
        heightMm,
        maxMl: number('Volume at MAX').describe('mL'),
        minMl: number('Volume at MIN').describe('mL'),
        makerPressureKpa: number('Pressure by the maker')
          .nullable()
          .describe('kPa; null without the maker’s word'),
        screen: yes('Screen').optional().describe('A screen or baffles inside'),
        known,
      }),
    )
    .min(1, 'The reservoir has no chamber; give it at least one.')
    .max(8),
  masters: z
    .array(
      z.strictObject({
        id: elementId,
        name,
        system: oneOf('System', ['brakes', 'clutch']),
        control: oneOf('Control', CONTROLS),
        heightMm,
        ratio: number('Pedal or lever ratio'),
        attitude: oneOf('Attitude', ['level', 'nose up', 'nose down']),
        servo: yes('Servo').optional().describe('A servo helps its pedal'),
        chambers: z.array(chamber).max(4),
        known,
      }),
    )
    .max(6),
  nodes: z.array(node).max(200),
  stretches: z
    .array(
      z.strictObject({
        id: elementId,
        name,
        kind: oneOf('Kind of stretch', ['line', 'hose']),
        from: elementId,
        to: elementId,
        lengthMm: number('Length').describe('mm'),
        insideMm: number('Inside diameter').describe('mm'),
        wideningMlPerM: number('Widening').nullable().describe('mL per metre at 6.9 MPa'),
        nut: fitting.nullable(),
        known,
      }),
    )
    .max(200),
  bleeders: z
    .array(
      z.strictObject({
        id: elementId,
        at: elementId,
        place: oneOf('Place', PLACES),
        which: oneOf('Which', WHICH).nullable(),
        type: oneOf('Kind of bleeder', ['screw', 'quarter turn']),
        atTop: yes('At the top'),
        seat: oneOf('Seat', SEATS),
        fitting,
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

/** The published schema of a layout file, JSON Schema 2020-12. What it cannot say, that every bleeder is reachable and every size in range, is checked on reading. */
export function layoutJsonSchema(): object {
  return { ...z.toJSONSchema(shape, { io: 'input' }), title: 'Hydraulic layout of a vehicle' };
}
