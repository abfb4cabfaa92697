import { MOVED_ML } from '@brook/core/fluid/shelf';
import { z } from 'zod';
import { id, isoTime, line, next, oneOf, wholeQuery, within } from './common';
import { computed } from './computed';
import { flag, grade, isoClass } from './sample';

const SIZE = 'Size should be 50 to 20000 mL, in whole mL.';

/** Containers that came to the shelf, sealed, all of one batch and size. */
export const newContainers = z.strictObject({
  grade,
  isoClass,
  batch: line('Batch', 1, 40),
  sizeMl: z.number({ error: SIZE }).int(SIZE).min(50, SIZE).max(20_000, SIZE).describe('mL'),
  count: z
    .number({ error: 'Count should be 1 to 48.' })
    .int('Count should be 1 to 48.')
    .min(1, 'Count should be 1 to 48.')
    .max(48, 'Count should be 1 to 48.'),
  justCarried: flag('justCarried').describe(
    'Whether they have just travelled; then they rest before they are used',
  ),
});
export type NewContainers = z.output<typeof newContainers>;

/** One container as it stands on the shelf now. */
export const container = z.object({
  id,
  grade,
  isoClass,
  batch: z.string(),
  sizeMl: z.number(),
  leftMl: z.number().describe('Size less what was poured and discarded, mL'),
  overdrawnMl: z.number().describe('What came out beyond that, mL; above 0 it is to be counted'),
  state: oneOf('State', ['sealed', 'opened', 'discarded']),
  openedDays: z.number().nullable().describe('Null when sealed, or when nobody knows'),
  keptCapped: z.boolean(),
  ageDays: z.number(),
  restedHours: z.number().nullable(),
  receivedAt: isoTime,
  openedAt: isoTime.nullable(),
  discardedAt: isoTime.nullable(),
  admit: computed('AdmitAnswer').describe('Whether it may be used today, by the house rule'),
  version: z.number().int(),
});
export type Container = z.output<typeof container>;

export const shelf = z.object({
  containers: z.array(container).describe('Those that are not discarded, oldest first'),
  low: z.array(computed('LowStock')).describe('Grades of which less than the line may be used'),
  next,
});
export type Shelf = z.output<typeof shelf>;

/** Open a container that nobody opened through a job, or say that one was found open. */
export const openContainer = z.strictObject({
  openedDaysAgo: z
    .number()
    .int()
    .min(0, 'Days should be 0 or more, or left out when nobody knows.')
    .max(3650)
    .nullable()
    .default(0),
  keptCapped: flag('keptCapped').default(true),
});
/** What is left in a container, as somebody counted it. */
export const countContainer = z.strictObject({
  leftMl: within(MOVED_ML, 'Left in it').describe('mL'),
});
export const discardContainer = z.strictObject({
  caught: flag('caught').describe('Whether its fluid went into the waste drum'),
});

/** What a job moved: one word for each thing. */
export const fluidUsed = z.strictObject({
  containers: z
    .array(
      z.strictObject({
        containerId: id,
        pouredMl: within(MOVED_ML, 'Poured'),
        discardedMl: within(MOVED_ML, 'Discarded').default(0),
        countedLeftMl: within(MOVED_ML, 'Left in it')
          .nullable()
          .default(null)
          .describe('Left in it as counted, where more came out than the shelf knew of'),
      }),
    )
    .max(20)
    .refine(
      (given) => new Set(given.map((c) => c.containerId)).size === given.length,
      'Each container should stand once.',
    ),
  bledMl: within(MOVED_ML, 'Bled').describe('Out at bleeders, mL'),
  bledBy: oneOf('Bled by', ['strokes', 'measured']).describe(
    'Counted by strokes, or measured in the jar',
  ),
  removedMl: within(MOVED_ML, 'Removed').describe('Off the reservoir, mL'),
  spilledMl: within(MOVED_ML, 'Spilled').describe('Lost from the vehicle, mL'),
  caught: flag('caught').default(true).describe('Whether what was discarded went into the drum'),
  gap: oneOf('What is not accounted for', ['still inside'])
    .nullable()
    .default(null)
    .describe('Said where more went in than came out and stands in the reservoir'),
});
export type FluidUsed = z.output<typeof fluidUsed>;

/** What a job moved, as it stands on its record. */
export const fluidUsedRecord = z.object({
  by: z.string(),
  at: isoTime,
  containers: z.array(
    z.object({
      containerId: id,
      grade,
      isoClass,
      batch: z.string(),
      sizeMl: z.number(),
      pouredMl: z.number(),
      discardedMl: z.number(),
      leftMl: z.number().describe('Left in it after this job, mL'),
    }),
  ),
  bledMl: z.number(),
  bledBy: oneOf('Bled by', ['strokes', 'measured']),
  removedMl: z.number(),
  spilledMl: z.number(),
  discardedMl: z.number(),
  caughtMl: z.number(),
});
export type FluidUsedRecord = z.output<typeof fluidUsedRecord>;

export const newHandOver = z.strictObject({
  toWhom: line('Who took it', 2, 80),
  document: line('Document', 1, 80).describe('Number of the paper that went with it'),
});

/** A page of what went into the drum since it was handed over last, newest first. */
export const wentInPage = z.object({
  entries: z.array(
    z.object({
      id,
      at: isoTime,
      by: z.string(),
      jobId: id.nullable(),
      jobNumber: z.number().nullable(),
      vehicleName: z.string().nullable(),
      bledMl: z.number(),
      removedMl: z.number(),
      caughtMl: z.number(),
    }),
  ),
  count: z.number().int().describe('On all pages'),
  next,
});
export type WentInPage = z.output<typeof wentInPage>;

/** A page of what was handed over, newest first. */
export const handOverPage = z.object({
  handOvers: z.array(
    z.object({
      id,
      at: isoTime,
      by: z.string(),
      toWhom: z.string(),
      document: z.string(),
      wasteMl: z.number(),
    }),
  ),
  count: z.number().int().describe('On all pages'),
  next,
});
export type HandOverPage = z.output<typeof handOverPage>;

/** The waste drum: how full it is, and the first page of what went in and of what was handed over. */
export const waste = z.object({
  drumMl: z.number().describe('What the drum holds, by the house rule, mL'),
  wasteMl: z.number().describe('In it now: bled, removed and caught since the last hand-over, mL'),
  wentIn: wentInPage,
  handedOver: handOverPage,
});
export type Waste = z.output<typeof waste>;

/** Which vehicles got a batch. */
export const recall = z.object({
  batch: z.string(),
  containers: z.array(
    z.object({
      id,
      grade,
      isoClass,
      batch: z.string(),
      sizeMl: z.number(),
      leftMl: z.number(),
      state: z.string(),
    }),
  ),
  uses: z
    .array(
      z.object({
        jobId: id,
        jobNumber: z.number(),
        at: isoTime,
        vehicleId: id,
        vehicleName: z.string(),
        vehicleTag: z.string(),
        pouredMl: z.number(),
        stillInside: z.boolean().describe('Whether no later job filled this vehicle'),
      }),
    )
    .describe('Newest first'),
  next,
});
export type Recall = z.output<typeof recall>;
export const recallQuery = wholeQuery.extend({ batch: line('Batch', 1, 40) });
