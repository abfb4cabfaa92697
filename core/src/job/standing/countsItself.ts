import type { Counting } from './state';

/** Whether a stroke counts by itself: nobody counted before, or this device is the one that counts. */
export function countsItself(
  counting: Pick<Counting, 'deviceId'> | null,
  stroke: { readonly deviceId: string },
): boolean {
  return counting === null || counting.deviceId === stroke.deviceId;
}
