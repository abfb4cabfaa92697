import { COLOURS } from '@brook/core/fluid';
import { PIECE_STATES } from '@brook/core/part';
import { PREPARATION_STEPS, type Plan } from '@brook/core/plan';
import {
  BUBBLE_READINGS,
  DECISIONS,
  HALT_REASONS,
  TOOL_WITNESSES,
  type RunEvent,
} from '@brook/core/run';
import { z } from 'zod';
import { id, line, oneOf } from './common';

const base = {
  id,
  deviceId: id,
  deviceSeq: z
    .number()
    .int()
    .min(1, 'deviceSeq should count up from 1.')
    .describe('Counts up on that device'),
  atMs: z.number().int().min(0).describe('Milliseconds since 1970 by that device’s clock'),
};
const elementId = line('Element id', 1, 60);
/** An element's id, with a number behind it from the second opening on. */
const stopId = line('Opening', 1, 70);

const READING = 'Reading should be 0 to 300 mm.';
const PIECES = 'Number of a piece should be 1 to 40.';
const toolWitness = oneOf('Witness', TOOL_WITNESSES);
const VOLTAGE = 'Battery should be 0 to 30 V.';
const toolCheck = z.strictObject({
  batteryV: z
    .number({ error: VOLTAGE })
    .min(0, VOLTAGE)
    .max(30, VOLTAGE)
    .describe('V, ignition on'),
  ignition: oneOf('Ignition', ['off', 'on', 'engine running']),
  codes: z
    .array(line('Fault code', 1, 80))
    .max(40)
    .readonly()
    .describe('As the tool words them; empty when there is none'),
});
const decided = z.strictObject({
  ...base,
  kind: z.literal('decided'),
  haltId: id,
  decision: oneOf('Decision', DECISIONS),
});

/** One event of a run, as a phone sends it. */
export const runEvent = z.discriminatedUnion('kind', [
  z.strictObject({ ...base, kind: z.literal('prepared'), step: oneOf('Step', PREPARATION_STEPS) }),
  z.strictObject({ ...base, kind: z.literal('stroke'), stopId }),
  z.strictObject({
    ...base,
    kind: z.literal('bubbles'),
    stopId,
    reading: oneOf('Bubbles', BUBBLE_READINGS),
  }),
  z.strictObject({ ...base, kind: z.literal('colour'), stopId, colour: oneOf('Colour', COLOURS) }),
  z.strictObject({ ...base, kind: z.literal('topped up'), bowlId: elementId }),
  z.strictObject({ ...base, kind: z.literal('shut'), stopId, tightened: z.literal('by feel') }),
  z.strictObject({ ...base, kind: z.literal('stage done'), stageId: elementId }),
  z.strictObject({
    ...base,
    kind: z.literal('stage skipped'),
    stageId: elementId,
    reason: line('Reason', 3, 300),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('part compared'),
    stageId: elementId,
    found: z
      .record(z.string().max(80), z.union([z.number(), z.string().max(60), z.boolean()]))
      .describe('What was found, by what is compared'),
    pieces: z
      .array(
        z.strictObject({
          what: line('Piece', 1, 80),
          count: z.number({ error: PIECES }).int(PIECES).min(1, PIECES).max(40, PIECES),
          comes: oneOf('How it comes', ['new', 'moves across']),
          state: oneOf('State of the count', PIECE_STATES),
        }),
      )
      .max(40)
      .readonly(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('slave tested'),
    stageId: elementId,
    mm: z.number({ error: READING }).min(0, READING).max(300, READING),
    reverse: oneOf('Reverse', ['clean', 'grates']).nullable(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('tool checked'),
    stageId: elementId,
    by: toolWitness,
    check: toolCheck,
  }),
  z.strictObject({
    ...base,
    kind: z.literal('tool step'),
    stageId: elementId,
    stepId: line('Step', 1, 80),
    by: toolWitness,
    done: z.boolean({ error: 'Whether the step was done is not said; give true or false.' }),
    why: line('Why it stopped', 1, 120).nullable(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('halted'),
    reason: oneOf('Reason', HALT_REASONS),
    stopId: stopId.nullable(),
  }),
  decided,
  z.strictObject({ ...base, kind: z.literal('undone'), eventId: id }),
]) satisfies z.ZodType<RunEvent>;

/** One event as the log keeps it: a decision with the plan of the rest that followed. */
export const storedRunEvent = z.union([
  runEvent,
  decided.extend({
    plan: z.custom<Plan | null>().describe('The plan of the rest; null where the plan stayed'),
  }),
]);

/** A batch as a phone sends it; sending it twice changes nothing. */
export const runEventBatch = z.strictObject({
  events: z
    .array(runEvent)
    .min(1, 'A batch should hold 1 to 500 events.')
    .max(500, 'A batch should hold 1 to 500 events.'),
});
