import type { HistoryChange, HistorySample } from '@brook/core/ageing';
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
  rules: z.custom<HouseRules>(),
  makerEntry: makerEntry.nullable(),
});
export type VehicleHistory = z.infer<typeof vehicleHistory>;
