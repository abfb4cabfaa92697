import { CLARITIES, COLOURS, FOREIGN_SIGNS, GRADES, waterFault, type FillVerdict, type Grade } from '@brook/core/fluid';
import { PEDAL_RESULTS } from '@brook/core/pedal';
import type { PlanResult } from '@brook/core/plan';
import { z } from 'zod';
import { id, isoTime, line, oneOf } from './common';
import { jobSummary } from './jobSummary';
import { runEvent } from './runEvent';
import { driveState } from './vehicle';

export const newJob = z.strictObject({
  id: id.optional().describe('Made by the client, so that sending twice makes one job'),
  vehicleId: id,
  system: z.literal('brakes', { error: 'System should be brakes.' }),
  scope: z.literal('routine flush', { error: 'Scope should be routine flush.' }),
});
export type NewJob = z.infer<typeof newJob>;

const GRADE_NAMES = GRADES.map((g) => g.grade) as [Grade, ...Grade[]];

/** What was read on the cap and seen in the reservoir. */
export const fluidEntry = z.strictObject({
  capGrade: oneOf('Grade on the cap', GRADE_NAMES),
  seen: z.strictObject({
    colour: oneOf('Colour', COLOURS),
    clarity: oneOf('Clarity', CLARITIES),
    foreign: oneOf('Sign of another product', FOREIGN_SIGNS),
    waterPercent: z
      .number({ error: 'Water should be a number in %, or left out.' })
      .nullable()
      .superRefine((v, context) => {
        const fault = v === null ? null : waterFault(v);
        if (fault) context.addIssue({ code: 'custom', message: fault });
      })
      .describe('% by mass, or null when not measured'),
  }),
  newColour: oneOf('Colour of the new fluid', COLOURS),
});
export type FluidEntry = z.infer<typeof fluidEntry>;

const checkItem = z.enum(['joints dry', 'bleeder caps', 'level', 'reservoir cap', 'wiped dry', 'lamps out', 'wheels']);

export const proofEntry = z.strictObject({
  pedal: oneOf('Result at the pedal or lever', PEDAL_RESULTS).nullable(),
  checks: z.partialRecord(checkItem, z.boolean()),
});
export type ProofEntry = z.infer<typeof proofEntry>;

export const driveResult = z.strictObject({ result: oneOf('Result of the drive', ['good', 'bad']) });
export const endJob = z.strictObject({ reason: line('Reason', 3, 300) });

const named = z.object({ by: z.string(), at: isoTime });

/** A job with everything on it. */
export const job = jobSummary.extend({
  system: z.literal('brakes'),
  openedBy: z.string(),
  drive: driveState.describe('Drive state of the vehicle'),
  fluid: fluidEntry.extend({ verdict: z.custom<FillVerdict>() }).nullable(),
  planResult: z.custom<PlanResult>().nullable().describe('The plan, stored whole, or the reasons why there is none'),
  planAccepted: named.nullable(),
  events: z.array(runEvent).describe('The run’s log, in order'),
  authors: z.array(z.object({ by: z.string(), count: z.number().int() })).describe('Who put the events down: name and how many in a row, in the order of the log'),
  proof: proofEntry.extend({ by: z.string().nullable() }),
  drives: z.array(named.extend({ result: z.enum(['good', 'bad']).nullable(), setBy: z.string() })).describe('Test drives, oldest first'),
  released: named.nullable(),
  ended: named.extend({ reason: z.string() }).nullable(),
  version: z.number().int(),
});
export type Job = z.infer<typeof job>;
