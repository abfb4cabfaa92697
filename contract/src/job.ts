import { COLOURS, DEMAND_SOURCES } from '@brook/core/fluid/verdict';
import type { Overridable } from '@brook/core/job/events';
import { ODOMETER_KM, PURPOSES } from '@brook/core/bleed/scope';
import { z } from 'zod';
import { id, isoTime, line, oneOf, within } from './common';
import { computed } from './computed';
import { jobSummary } from './jobSummary';
import { foundAtIntake, goesAlong, partsChanged, planChoices } from './plan';
import { keptEvent } from './jobEvent';
import { openItem } from './openItem';
import { control, demands, dye, flag, grade, inSystem, isoClass, samples, seals } from './sample';
import { fluidUsedRecord } from './shelf';
import { driveState, makerEntry } from './vehicle';

export const newJob = z.strictObject({
  id: id.optional().describe('Made by the client, so that sending twice makes one job'),
  vehicleId: id,
  purpose: oneOf('Purpose', PURPOSES).default('routine flush'),
  also: goesAlong.default([]),
  parts: partsChanged.default([]).describe('Parts that it is here for'),
  found: foundAtIntake.default([]),
  odometerKm: within(ODOMETER_KM)
    .nullable()
    .default(null)
    .describe('What the odometer reads, km; null where nobody looked'),
  helper: flag('helper').optional().describe('Whether somebody is at hand for the pedal'),
  helperName: line('Name of the helper', 2, 60).nullable().default(null),
  masterIds: z
    .array(line('Master', 1, 60))
    .min(1, 'Nothing is in hand; give at least one master, or leave it out for all.')
    .optional()
    .describe('Masters whose systems are in hand; all when left out'),
});
export type NewJob = z.input<typeof newJob>;

/** What was read on the cap, what is inside, what was seen and measured, and what is to go in. */
export const fluidEntry = z.strictObject({
  demands,
  follow: z
    .strictObject({
      source: oneOf('Followed source', DEMAND_SOURCES),
      why: line('Why it is followed', 3, 300),
    })
    .nullable()
    .default(null)
    .describe('Decided by a person where the demands cannot all be obeyed'),
  control,
  seals,
  inSystem,
  samples,
  fill: z
    .strictObject({
      grade,
      isoClass,
      labelRead: grade
        .nullable()
        .default(null)
        .describe('What a second look at the label read, where the name is a trap'),
    })
    .nullable()
    .default(null),
  newColour: oneOf('Colour of the new fluid', COLOURS).nullable().default(null),
  newDye: dye.describe('Dye of the new fluid, where it has one'),
});
export type FluidEntry = z.output<typeof fluidEntry>;

/** Accept the plan; where a picked container needs a second look, it was taken. */
export const acceptPlan = z.strictObject({ lookedAtOpened: flag('lookedAtOpened').default(false) });

/** The vehicle that was meant, where a job was begun on another one. */
export const moveJob = z.strictObject({ vehicleId: id });

export const driveResult = z.strictObject({
  result: oneOf('Result of the drive', ['good', 'bad']),
});
/** A lead lets paper go that the gate asks for; it stays on the record. */
export const override = z.strictObject({
  code: oneOf('What is let go', [
    'torque not written',
    'photo asked for',
  ] as const satisfies readonly Overridable[]),
  of: line('What it is of', 1, 140).describe('The element, or the item of the proof'),
  why: line('Why', 3, 300),
});
export type Override = z.infer<typeof override>;

export const endJob = z.strictObject({ reason: line('Reason', 3, 300) });

const named = z.object({ by: z.string(), at: isoTime });

/** A job with everything on it. */
export const job = jobSummary.extend({
  openedBy: z.string(),
  drive: driveState.describe('Drive state of the vehicle'),
  heard: z
    .number()
    .int()
    .describe('Up to which place of its vehicle’s order this tells everything'),
  before: z
    .array(openItem)
    .describe('What the vehicle owes besides this job’s own: the job takes it over'),
  leaves: z.array(openItem).describe('What of its own is open still'),
  lastDye: computed('Dye').nullable().describe('Dye of the last fill of this vehicle'),
  notDone: z
    .array(
      z.object({
        what: z.string(),
        advise: z.enum(['same job', 'next clutch job', 'ask its age']),
        at: isoTime,
      }),
    )
    .describe('Partners that the last released job advised to renew and left'),
  lastFill: z.object({ at: isoTime, grade }).nullable().describe('The last change on record'),
  makerEntry: makerEntry.nullable(),
  baselines: z
    .array(
      z.object({
        masterId: z.string(),
        jobNumber: z.number().int(),
        at: isoTime,
        readings: z.array(computed('PedalReading')),
      }),
    )
    .describe('What each control measured when a job before had bled and released it'),
  manualTorques: z
    .array(z.object({ elementId: z.string(), manualNm: z.number(), by: z.string() }))
    .describe('What earlier jobs of this vehicle looked up in its manual, N·m by joint'),
  clutchNeeds: z
    .array(
      z.object({
        masterId: z.string(),
        slaveTravelMm: z.number().nullable().describe('mm, by the manual'),
        window: z.object({ leastMm: z.number(), mostMm: z.number() }).nullable(),
        pitchMm: z.number().nullable(),
        by: z.string(),
      }),
    )
    .describe('What earlier jobs of this vehicle said that its clutches need'),
  knownFluid: z
    .object({ cap: z.array(grade), lowViscosity: z.boolean(), control, seals, at: isoTime })
    .nullable()
    .describe('What the job before read on the cap of this vehicle, for one tap to confirm'),
  inside: computed('ContentInside')
    .nullable()
    .describe('What the jobs before left inside the vehicle; null where none is on record'),
  fluid: computed('FluidRead')
    .nullable()
    .describe('What was read and seen, with the verdict and the house rules that were in force'),
  layout: computed('KnownLayout').describe('The layout of the vehicle as it is now'),
  planChoices: planChoices.describe('What was said and chosen for the plan'),
  planResult: computed('PlanResult')
    .nullable()
    .describe('The plan, stored whole, or the reasons why there is none'),
  planAccepted: named.nullable(),
  pick: computed('JobPick')
    .nullable()
    .describe('By the shelf of this moment until the plan is accepted, then as accepted'),
  fluidUsed: fluidUsedRecord.nullable(),
  events: z.array(keptEvent).describe('The job’s log, in order; positions count from 1'),
  additions: z
    .array(keptEvent)
    .describe('What arrived after the job was closed, kept beside its record'),
  drives: z
    .array(named.extend({ result: z.enum(['good', 'bad']).nullable(), setBy: z.string() }))
    .describe('Test drives, oldest first'),
  released: named.nullable(),
  ended: named.extend({ reason: z.string() }).nullable(),
  version: z.number().int(),
});
export type Job = z.infer<typeof job>;
