import { z } from 'zod';
import { next } from './common';
import { computed } from './computed';
import { makerEntry } from './vehicle';

/** Samples and changes of a vehicle, job by job, for chart, table and forecast. */
export const vehicleHistory = z.object({
  samples: z
    .array(computed('SampleOnRecord'))
    .describe('Oldest first; readings of practice instruments are left out'),
  changes: z.array(computed('ChangeOnRecord')).describe('Oldest first'),
  odometer: z
    .array(z.object({ jobId: z.string(), jobNumber: z.number(), atMs: z.number(), km: z.number() }))
    .describe('What the odometer read at intake, oldest first'),
  inside: computed('ContentInside')
    .nullable()
    .describe('What is inside, as the last closed job left it; null where none is on record'),
  layout: computed('KnownLayout'),
  rules: computed('RulesInForce'),
  makerEntry: makerEntry.nullable(),
  next,
});
export type VehicleHistory = z.infer<typeof vehicleHistory>;
