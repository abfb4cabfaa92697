import type { HistoryChange, HistorySample } from '@brook/core/ageing';
import type { Layout } from '@brook/core/circuit';
import type { Inside } from '@brook/core/inside';
import type { Sample } from '@brook/core/fluid';
import type { HouseRules } from '@brook/core/rules';
import { z } from 'zod';
import { makerEntry } from './vehicle';

/** Every sample and every change of a vehicle, for chart, table and forecast. */
export const vehicleHistory = z.object({
  samples: z
    .array(
      z.custom<
        HistorySample &
          Pick<Sample, 'colour' | 'clarity' | 'copperPpm' | 'pH'> & { readonly jobNumber: number }
      >(),
    )
    .describe('Oldest first; readings of practice instruments are left out'),
  changes: z
    .array(
      z.custom<
        HistoryChange & { readonly jobNumber: number; readonly batches: readonly string[] }
      >(),
    )
    .describe('Oldest first'),
  odometer: z
    .array(z.object({ jobId: z.string(), jobNumber: z.number(), atMs: z.number(), km: z.number() }))
    .describe('What the odometer read at intake, oldest first'),
  inside: z
    .custom<Inside>()
    .nullable()
    .describe('What is inside, as the last closed job left it; null where none is on record'),
  layout: z.custom<Layout>(),
  rules: z.custom<HouseRules>(),
  makerEntry: makerEntry.nullable(),
});
export type VehicleHistory = z.infer<typeof vehicleHistory>;
