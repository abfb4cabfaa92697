/** Whether a vehicle may move, as every list and page that names it says. */
export const DRIVE_STATES = ['free', 'do not drive', 'test drive only'] as const;
export type DriveState = (typeof DRIVE_STATES)[number];
