import { JOB_STAGES } from '@brook/core/job/stage';
import type {
  EventBase,
  JobEvent,
  Logged,
  PhoneHappening,
  VehicleEvent,
  VehicleHappening,
} from '@brook/core/job/events';
import { z } from 'zod';
import { counter, id } from './common';
import { computed } from './computed';
import { base, phoneHappenings, vehicleHappenings } from './events';
import { driveState } from './vehicle';

/** Every kind that a phone may say, of a job or of a vehicle. */
export const SAID_KINDS: ReadonlySet<string> = new Set(
  [...phoneHappenings, ...vehicleHappenings].map((h) => h.shape.kind.value),
);

/** One event of a job's log, as a phone sends it. */
export const jobEvent = z.discriminatedUnion(
  'kind',
  phoneHappenings.map((h) => z.strictObject({ ...base, ...h.shape })) as unknown as [
    z.ZodObject<{ kind: z.ZodLiteral<PhoneHappening['kind']> }>,
  ],
) as unknown as z.ZodType<EventBase & PhoneHappening>;

/** One event as the log keeps it: with the person behind it and, after a decision, the plan of the rest that followed. */
export const keptEvent = computed('LogEvent') as z.ZodType as z.ZodType<Logged<JobEvent>>;

const BATCH = 'A batch should hold 1 to 500 events.';
/** A batch as a phone sends it; sending it twice changes nothing. */
export const eventBatch = z.strictObject({
  events: z
    .array(z.unknown())
    .min(1, BATCH)
    .max(500, BATCH)
    .describe('Each a JobEvent, answered by itself'),
  lowestWaiting: counter('lowestWaiting', 1).describe(
    'Lowest number that still waits on this device: whatever is below is settled',
  ),
  since: counter('since', 0).describe('Position in the log up to which this device knows it'),
  personId: id.optional().describe('Who tapped: refused where somebody else is signed in by now'),
});

/** What became of one event of a batch. */
export const eventAnswer = z.object({
  id: z.string().nullable().describe('Null where the event had none'),
  result: z.enum(['new', 'known', 'added after the end', 'refused']),
  sentence: z.string().nullable().describe('Why it was refused'),
});
export type EventAnswer = z.infer<typeof eventAnswer>;

/** What a batch came to: every event answered, and what changed, not the whole job. */
export const appended = z.object({
  answers: z.array(eventAnswer).describe('In the order of the batch'),
  events: z.array(keptEvent).describe('What the log holds behind the position that was known'),
  position: z.number().int().describe('Position of the last event of the log'),
  stage: z.enum(JOB_STAGES),
  version: z.number().int(),
  drive: driveState,
  lastPlace: z.number().int().describe('The last place of its vehicle’s order'),
});
export type Appended = z.infer<typeof appended>;

/** One event of a vehicle's own log, as a phone sends it. */
export const vehicleEvent = z.discriminatedUnion(
  'kind',
  vehicleHappenings.map((h) => z.strictObject({ ...base, ...h.shape })) as unknown as [
    z.ZodObject<{ kind: z.ZodLiteral<VehicleHappening['kind']> }>,
  ],
) as unknown as z.ZodType<VehicleEvent>;

/** What became of each event of a vehicle’s log. */
export const vehicleAnswers = z.object({
  answers: z.array(eventAnswer).describe('In the order of the batch'),
});
export type VehicleAnswers = z.infer<typeof vehicleAnswers>;

export const vehicleEventBatch = z.strictObject({
  events: z.array(z.unknown()).min(1, BATCH).max(500, BATCH).describe('Each a VehicleEvent'),
});
