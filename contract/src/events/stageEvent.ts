import { BATTERY_V } from '@brook/core/bleed/scanTool';
import { SLAVE_READING_MM } from '@brook/core/control/clutch';
import { PIECE_COUNT, PIECE_STATES } from '@brook/core/vehicle/part';
import {
  BENCH_GRADES,
  BENCH_SIGNS,
  BITE_MM,
  DROP_MM,
  RENEWED,
  TOOL_WITNESSES,
  WATER_SEEN,
  type StageEvent,
} from '@brook/core/bleed/stages';
import { z } from 'zod';
import { within, line, oneOf } from '../common';

/** A stage's id; that of a later plan carries the plan's own. */
const stageId = line('Stage', 1, 120);

const stageDone = z.strictObject({ kind: z.literal('stage done'), stageId });
const stageSkipped = z.strictObject({
  kind: z.literal('stage skipped'),
  stageId,
  reason: line('Reason', 3, 300),
});

const MEASURED = 'A measure of a part should be between 0.1 and 15000.';
const measure = z.number({ error: MEASURED }).min(0.1, MEASURED).max(15_000, MEASURED);
const measured = z.strictObject({
  newPart: measure,
  oldPart: measure.nullable(),
  maker: measure.nullable(),
});

const partCompared = z.strictObject({
  kind: z.literal('part compared'),
  stageId,
  found: z
    .record(
      z.string().max(80),
      z.union([measured, z.string().max(60), z.boolean()], {
        error:
          'What was found should be an answer, a thread, or a number on the new part, on the old one and by the maker.',
      }),
    )
    .describe('What was found, by what is compared'),
  pieces: z
    .array(
      z.strictObject({
        what: line('Piece', 1, 80),
        count: within(PIECE_COUNT),
        comes: oneOf('How it comes', ['new', 'moves across']),
        state: oneOf('State of the count', PIECE_STATES),
      }),
    )
    .max(40)
    .readonly(),
});

const slaveTested = z.strictObject({
  kind: z.literal('slave tested'),
  stageId,
  mm: within(SLAVE_READING_MM),
  reverse: oneOf('Reverse', ['clean', 'grates']).nullable(),
});

const biteMeasured = z.strictObject({
  kind: z.literal('bite measured'),
  stageId,
  when: oneOf('When', ['before', 'after']),
  mm: within(BITE_MM),
});

const chamber = line('Chamber', 1, 80);
const benchSign = z.strictObject({
  kind: z.literal('bench sign'),
  stageId,
  chamber,
  sign: oneOf('Sign', BENCH_SIGNS),
  holds: z.boolean({ error: 'Whether the sign holds is not said; give true or false.' }),
});
const tubeEndOut = z.strictObject({ kind: z.literal('tube end out'), stageId, chamber });
const benchEnded = z.strictObject({
  kind: z.literal('bench ended'),
  stageId,
  grade: oneOf('End of the bench run', BENCH_GRADES),
});

const levelDropped = z.strictObject({
  kind: z.literal('level dropped'),
  stageId,
  mm: within(DROP_MM).describe('Drop of the level at one stroke, mm'),
});
const pumpedUp = z.strictObject({ kind: z.literal('pumped up'), stageId });

const toolWitness = oneOf('Witness', TOOL_WITNESSES);
const toolChecked = z.strictObject({
  kind: z.literal('tool checked'),
  stageId,
  by: toolWitness,
  check: z.strictObject({
    batteryV: within(BATTERY_V),
    ignition: oneOf('Ignition', ['off', 'on', 'engine running']),
    codes: z
      .array(line('Fault code', 1, 80))
      .max(40)
      .readonly()
      .describe('As the tool words them; empty when there is none'),
  }),
});
const toolStep = z.strictObject({
  kind: z.literal('tool step'),
  stageId,
  stepId: line('Step', 1, 80),
  by: toolWitness,
  done: z.boolean({ error: 'Whether the step was done is not said; give true or false.' }),
  why: line('Why it stopped', 1, 120).nullable(),
});

const rubberRenewed = z.strictObject({
  kind: z.literal('rubber renewed'),
  stageId,
  part: line('Part with rubber', 1, 120),
  how: oneOf('What was done with it', RENEWED),
});
const waterTested = z.strictObject({
  kind: z.literal('water tested'),
  stageId,
  seen: oneOf('What was seen in the glass', WATER_SEEN),
});

/** What is said in the stages that open no bleeder, one schema a kind. */
export const stageEvents = [
  stageDone,
  stageSkipped,
  partCompared,
  slaveTested,
  toolChecked,
  toolStep,
  biteMeasured,
  benchSign,
  tubeEndOut,
  benchEnded,
  levelDropped,
  pumpedUp,
  rubberRenewed,
  waterTested,
] as const;

// Every schema is of an event that core knows.
stageEvents satisfies readonly z.ZodType<StageEvent>[];
