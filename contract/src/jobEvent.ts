import { WAYS_KNOWN } from '@brook/core/vehicle/circuit';
import { CLOCK_MINUTES, CLOCKS } from '@brook/core/base/clock';
import {
  PITCH_MM,
  PLAY_MM,
  SLAVE_NEED_MM,
  SLAVE_READING_MM,
  TAKE_UP_MM,
} from '@brook/core/control/clutch';
import { COLOURS } from '@brook/core/fluid/verdict';
import { CHECK_ITEMS, CONTROL_CHECKS, TAKE_UPS } from '@brook/core/job/gate';
import { JOB_STAGES } from '@brook/core/job/stage';
import {
  CAME_OFF,
  LOOK_LATER,
  MEDIA,
  type JobEvent,
  type PhoneHappening,
  type VehicleEvent,
} from '@brook/core/job/log';
import {
  FORCE_N,
  HEIGHT_MM,
  MEASURED_WHEN,
  PEDAL_RESULTS,
  SUNK_MM,
} from '@brook/core/control/pedal';
import { PREPARATION_STEPS } from '@brook/core/bleed/plan';
import {
  BUBBLE_READINGS,
  COUNT_WAYS,
  DECISIONS,
  BROKEN_ROUNDS,
  HALT_REASONS,
  MOST_MADE,
  TRIES,
  type EventBase,
  type Logged,
} from '@brook/core/job/run';
import { BENCH_ENDS, ODOMETER_KM } from '@brook/core/bleed/scope';
import { JOINT_NM } from '@brook/core/vehicle/torque';
import { z } from 'zod';
import { counter, id, line, oneOf, within } from './common';
import { computed } from './computed';
import { stageEvents } from './stageEvent';
import { driveState } from './vehicle';

const base = {
  id,
  deviceId: id,
  deviceSeq: counter('deviceSeq', 1).describe('Counts up on that device'),
  atMs: z
    .number({ error: 'atMs should be whole milliseconds since 1970.' })
    .int('atMs should be whole milliseconds since 1970.')
    .min(0)
    .describe('Milliseconds since 1970 by that device’s clock'),
  planId: line('Plan', 1, 60)
    .nullable()
    .describe('The plan under which it was made; null before there was one'),
};
const elementId = line('Element id', 1, 60);
/** An element's id, with a number behind it from the second opening on, and the plan's own id from the second plan on. */
const openingId = line('Opening', 1, 140);
const TORQUE = 'Torque should be 0.5 to 400 N·m, or “by feel”.';
const LEVEL = 'The level should be 0 to 2000 mL.';
const LOOK = 'The time to the next look should be 1 to 86,400 s, in whole seconds.';
const JAR = 'What stands in the jar should be 0 to 5000 mL.';
const MADE = `Strokes said at once should be 1 to ${MOST_MADE}.`;
const TURNS = 'Turns should be 0 to 3.';

/** What a later visit looks at again. */
export const lookAgainHappenings = [
  z.strictObject({
    kind: z.literal('joint tightened'),
    elementId,
    manualNm: within(JOINT_NM, 'The manual’s torque').nullable(),
    appliedNm: within(JOINT_NM, 'The torque applied').nullable().describe('N·m; null is by feel'),
  }),
  z.strictObject({
    kind: z.literal('look later'),
    elementId: elementId.nullable(),
    why: oneOf('Why it is looked at again', LOOK_LATER),
    what: line('What it is', 2, 200),
    byDate: z.iso
      .date('The day should be YYYY-MM-DD.')
      .nullable()
      .describe('Day by which somebody looks'),
    byKm: within(ODOMETER_KM).nullable(),
  }),
] as const;

const happenings = [
  z.strictObject({
    kind: z.literal('prepared'),
    step: oneOf('Step', PREPARATION_STEPS),
    containerId: id.nullish().describe('Of a first fill: out of which container'),
  }),
  z.strictObject({
    kind: z.literal('counting'),
    way: oneOf('Way of counting', COUNT_WAYS),
    knew: id
      .nullable()
      .optional()
      .describe('The last event of the log that this device knew; null where it knew none'),
  }),
  z.strictObject({
    kind: z.literal('stroke'),
    openingId,
    made: z
      .number({ error: MADE })
      .int(MADE)
      .min(1, MADE)
      .max(MOST_MADE, MADE)
      .optional()
      .describe('How many in a row, said at once; one where it is left out'),
  }),
  z.strictObject({
    kind: z.literal('round broken'),
    openingId,
    how: oneOf('How the round was broken', BROKEN_ROUNDS),
  }),
  z.strictObject({
    kind: z.literal('strokes judged'),
    eventIds: z.array(id).min(1).max(500).readonly(),
    count: z.boolean({ error: 'Whether these strokes count is not said; give true or false.' }),
  }),
  z.strictObject({
    kind: z.literal('bubbles'),
    openingId,
    reading: oneOf('Bubbles', BUBBLE_READINGS),
  }),
  z.strictObject({ kind: z.literal('colour'), openingId, colour: oneOf('Colour', COLOURS) }),
  z.strictObject({
    kind: z.literal('tried'),
    openingId,
    what: oneOf('What was tried', TRIES),
    done: z.boolean({ error: 'Whether it was done or passed over is not said.' }),
  }),
  z.strictObject({
    kind: z.literal('bleeder opened'),
    openingId,
    turns: z.number({ error: TURNS }).min(0, TURNS).max(3, TURNS).describe('turns'),
  }),
  z.strictObject({
    kind: z.literal('topped up'),
    reservoirId: elementId,
    containerId: id.nullable().describe('Out of which container, where somebody said so'),
  }),
  z.strictObject({
    kind: z.literal('level seen'),
    openingId,
    levelMl: z.number({ error: LEVEL }).min(0, LEVEL).max(2000, LEVEL).describe('mL'),
    fluidComes: z.boolean({ error: 'Whether fluid comes at the bleeder is not said.' }),
  }),
  z.strictObject({
    kind: z.literal('flow set'),
    openingId,
    lookAfterS: z
      .number({ error: LOOK })
      .int(LOOK)
      .min(1, LOOK)
      .max(86_400, LOOK)
      .nullable()
      .describe('Seconds until somebody looks at the latest; null where it was stopped'),
  }),
  z.strictObject({
    kind: z.literal('jar set'),
    jarMl: z.number({ error: JAR }).min(0, JAR).max(5000, JAR).describe('mL'),
  }),
  z.strictObject({
    kind: z.literal('jar read'),
    openingId,
    jarMl: z.number({ error: JAR }).min(0, JAR).max(5000, JAR).describe('mL'),
  }),
  z.strictObject({
    kind: z.literal('shut'),
    openingId,
    tightened: z.union(
      [
        z.literal('by feel'),
        z.strictObject({ torqueNm: z.number().min(0.5, TORQUE).max(400, TORQUE).describe('N·m') }),
      ],
      { error: TORQUE },
    ),
  }),
  z.strictObject({
    kind: z.literal('shut early'),
    openingId,
    reason: line('Why it was shut early', 3, 300),
  }),
  ...stageEvents,
  z.strictObject({
    kind: z.literal('halted'),
    reason: oneOf('Reason', HALT_REASONS),
    openingId: openingId.nullable(),
    masterId: elementId.nullish().describe('The control at which it was found'),
  }),
  z.strictObject({
    kind: z.literal('decided'),
    haltId: id,
    decision: oneOf('Decision', DECISIONS),
  }),
  z.strictObject({
    kind: z.literal('mended'),
    haltId: id.nullable(),
    openItemId: line('OpenItem', 1, 200).nullish().describe('What was owed from before'),
    where: line('Where', 2, 120),
    how: line('What was done', 3, 300),
  }),
  z.strictObject({
    kind: z.literal('size found'),
    elementId,
    size: line('Size', 1, 40),
    value: z.union([z.number(), z.string().max(60)]),
    how: oneOf('How it is known', WAYS_KNOWN).optional(),
  }),
  z.strictObject({
    kind: z.literal('part fitted'),
    partId: elementId,
    cappedAtOnce: z.boolean({ error: 'Whether the joint was capped at once is not answered.' }),
    keptFull: z.boolean({ error: 'Whether the reservoir was kept full is not answered.' }),
  }),
  z.strictObject({
    kind: z.literal('master fitted'),
    masterId: elementId,
    linesStayedFull: z.boolean({ error: 'Whether the lines stayed full is not answered.' }),
    nothingElseOpened: z.boolean({ error: 'Whether anything else was opened is not answered.' }),
    modulatorLostNothing: z.boolean({ error: 'Whether a modulator lost fluid is not answered.' }),
    heldDown: z.boolean({ error: 'How the lines were joined is not answered.' }),
    bench: oneOf('End of the bench run', BENCH_ENDS),
  }),
  z.strictObject({ kind: z.literal('taken off'), elementId }),
  z.strictObject({ kind: z.literal('drawn off'), reservoirId: elementId }),
  z.strictObject({ kind: z.literal('note'), text: line('Note', 1, 1000) }),
  z.strictObject({
    kind: z.literal('pedal judged'),
    masterId: elementId.nullable(),
    result: oneOf('Result at the pedal or lever', PEDAL_RESULTS),
  }),
  z.strictObject({
    kind: z.literal('take-up judged'),
    masterId: elementId,
    takeUp: oneOf('Where it takes up', TAKE_UPS),
  }),
  z.strictObject({
    kind: z.literal('pedal read'),
    masterId: elementId,
    when: oneOf('When it was measured', MEASURED_WHEN),
    at: z.union(
      [
        z.literal('rest'),
        z.literal('first resistance'),
        z.strictObject({ forceN: within(FORCE_N).describe('N, at the pad or the tip') }),
      ],
      {
        error: 'Where it was read should be “rest”, “first resistance” or a force of 1 to 600 N.',
      },
    ),
    pumped: z.boolean({ error: 'Whether it was pumped up before is not said.' }),
    heightMm: within(HEIGHT_MM).describe('mm above the floor, or of the tip from the bar'),
  }),
  z.strictObject({
    kind: z.literal('sink watched'),
    masterId: elementId,
    when: oneOf('When it was measured', MEASURED_WHEN),
    mm: within(SUNK_MM).describe('mm that it crept under a steady firm push'),
    seconds: within({ what: 'The watch', unit: 's', least: 1, most: 600 }),
    engine: oneOf('Engine', ['running']).optional().describe('Left out: off, the servo emptied'),
  }),
  z.strictObject({
    kind: z.literal('take-up read'),
    masterId: elementId,
    restMm: within({ ...TAKE_UP_MM, least: 1 }, 'At rest'),
    takeUpMm: within(TAKE_UP_MM, 'Where it takes up'),
    pumpedMm: within(TAKE_UP_MM, 'Where it takes up after pumping').nullable(),
    playMm: within(PLAY_MM).nullable(),
    blockedMm: within(SLAVE_READING_MM, 'Rod travel, slave blocked').nullish(),
    endOfTravelMm: within(TAKE_UP_MM, 'The end of travel').nullish(),
  }),
  z.strictObject({
    kind: z.literal('clutch needs'),
    masterId: elementId,
    slaveTravelMm: within(SLAVE_NEED_MM).nullable().describe('mm, by the manual'),
    window: z
      .strictObject({
        leastMm: within(TAKE_UP_MM, 'Where the window begins'),
        mostMm: within(TAKE_UP_MM, 'Where the window ends'),
      })
      .nullable()
      .describe('Heights between which it should take up'),
    pitchMm: within(PITCH_MM).nullable().describe('mm a turn of the rod'),
  }),
  z.strictObject({
    kind: z.literal('checked'),
    item: oneOf('Item of the proof', [...CHECK_ITEMS, ...CONTROL_CHECKS]),
    masterId: elementId.nullish().describe('Of what is tried at one control'),
    passes: z.boolean({ error: 'Whether it passes is not said; give true or false.' }),
  }),
  z.strictObject({ kind: z.literal('opened again'), openingId }),
  z.strictObject({
    kind: z.literal('pressure set'),
    on: z.boolean({ error: 'Whether the pot is under pressure is not said; give true or false.' }),
  }),
  z.strictObject({ kind: z.literal('syringe readied'), openingId }),
  z.strictObject({ kind: z.literal('syringe empty'), openingId }),
  ...lookAgainHappenings,
  z.strictObject({
    kind: z.literal('clock started'),
    clock: oneOf('Clock', CLOCKS),
    minutes: within({ what: 'A clock', ...CLOCK_MINUTES, unit: 'min', whole: true }),
    elementId: elementId.nullable(),
  }),
  z.strictObject({
    kind: z.literal('clock ended'),
    eventId: id.describe('Of the event that started it'),
  }),
  z.strictObject({
    kind: z.literal('came off'),
    what: oneOf('What came off', CAME_OFF),
    elementId: elementId.nullable(),
    noteId: id.nullish().describe('The photo or voice note of it, by its event'),
  }),
  z.strictObject({
    kind: z.literal('back on'),
    eventId: id.nullable().describe('Of the event by which it came off in this job'),
    openItemId: line('OpenItem', 1, 200).nullable().describe('What was owed from before'),
  }),
  z.strictObject({
    kind: z.literal('media note'),
    medium: oneOf('Medium', MEDIA),
    elementId: elementId.nullable().describe('At which element it was taken'),
    proof: z
      .strictObject({
        masterId: elementId.nullable().describe('Of what is tried at one control'),
        item: oneOf('Item of the proof', ['result', ...CHECK_ITEMS, ...CONTROL_CHECKS]),
      })
      .optional()
      .describe('The item of the proof that it shows'),
  }),
  z.strictObject({ kind: z.literal('undone'), eventId: id }),
] as const;

type WireHappening = z.output<(typeof happenings)[number]>;
type Same<A, B> = A extends B ? (B extends A ? true : never) : never;
// What core knows and what is on the wire is the same; a kind that one of them lacks does not compile.
const COVERED: Same<WireHappening['kind'], PhoneHappening['kind']> = true;
void COVERED;

/** One event of a job's log, as a phone sends it. */
export const jobEvent = z.discriminatedUnion(
  'kind',
  happenings.map((h) => z.strictObject({ ...base, ...h.shape })) as unknown as [
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
});
export type Appended = z.infer<typeof appended>;

/** One event of a vehicle's own log, as a phone sends it. */
export const vehicleEvent = z.discriminatedUnion('kind', [
  z.strictObject({ ...base, kind: z.literal('marked'), reason: line('Reason', 3, 300) }),
  z.strictObject({
    ...base,
    kind: z.literal('cycle elsewhere'),
    workshop: line('Workshop', 2, 80),
    date: z.iso.date({ error: 'Date should be a day like 2026-04-30.' }),
    paper: line('Number of the paper', 1, 60),
    bledAfter: z.boolean({
      error: 'Whether the paper names the bleed after it is not said; give true or false.',
    }),
  }),
  z.strictObject({ ...base, kind: z.literal('undone'), eventId: id }),
]) satisfies z.ZodType<VehicleEvent>;

/** What became of each event of a vehicle’s log. */
export const vehicleAnswers = z.object({
  answers: z.array(eventAnswer).describe('In the order of the batch'),
});
export type VehicleAnswers = z.infer<typeof vehicleAnswers>;

export const vehicleEventBatch = z.strictObject({
  events: z.array(z.unknown()).min(1, BATCH).max(500, BATCH).describe('Each a VehicleEvent'),
});
