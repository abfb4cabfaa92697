import type { Job } from '@brook/contract';
import { gradeNamed } from '@brook/core/fluid/verdict';
import { oldWater, type OldWater } from '@brook/core/bleed/gain';
import { useMemo } from 'react';
import { useHouseRules } from '../../data/houseRules';

/** How wet the fluid from before a job is, as this visit measured it or by its age; null until the workshop's climate is known. */
export function useOldWater({ fluid, openedAt }: Job): OldWater | null {
  const climate = useHouseRules().data?.rules.climate;
  return useMemo(
    () =>
      climate
        ? oldWater({
            samples: fluid?.samples ?? [],
            inSystem: gradeNamed(fluid?.inSystem ?? 'unknown'),
            atMs: Date.parse(openedAt),
            climate,
          })
        : null,
    [fluid, openedAt, climate],
  );
}
