import { PALETTE } from './palette';

/** A machine reads these: dark on light, in the pit as in the sun. */
export const QR_COLOURS = { dark: PALETTE.ink, light: PALETTE.paper } as const;
