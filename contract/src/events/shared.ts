import { z } from 'zod';
import { counter, id, line } from '../common';

export const elementId = line('Element id', 1, 60);
/** An element's id, with a number behind it from the second opening on, and the plan's own id from the second plan on. */
export const openingId = line('Opening', 1, 140);
/** An open item of an earlier job, by its id. */
export const openItemId = line('OpenItem', 1, 200);

const JAR = 'What stands in the jar should be 0 to 5000 mL.';
export const jarMl = z.number({ error: JAR }).min(0, JAR).max(5000, JAR).describe('mL');

/** Who did something elsewhere, on which day, and by which paper. */
export const paperOfWorkshop = {
  workshop: line('Workshop', 2, 80),
  date: z.iso.date({ error: 'Date should be a day like 2026-04-30.' }),
  paper: line('Number of the paper', 1, 60),
};

/** What every event carries. */
export const base = {
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
  heard: counter('heard', 0)
    .optional()
    .describe(
      'Up to which place of its vehicle’s order this device had heard of everything; left out, of nothing',
    ),
  group: id.optional().describe('What one press made carries one name: it is taken back together'),
};
