import type { Grade, IsoClass } from '../verdict';

/** A container of fluid as it stands on the shelf today. */
export interface ShelfContainer {
  readonly id: string;
  readonly grade: Grade;
  readonly isoClass: IsoClass | null;
  readonly batch: string;
  readonly sizeMl: number;
  readonly leftMl: number;
  readonly state: 'sealed' | 'opened' | 'discarded';
  /** Days since it was opened; null when sealed or when nobody knows. */
  readonly openedDays: number | null;
  readonly keptCapped: boolean;
  /** Days since it came to the shelf. */
  readonly ageDays: number;
  /** Hours since it last travelled; null when it has rested for long. */
  readonly restedHours: number | null;
}

/** Schools on open containers: use it today or discard it, or keep it capped for a month [C]. */
export const OPEN_RULES = ['today only', '30 days capped'] as const;
export type OpenRule = (typeof OPEN_RULES)[number];

/** How long an opened container may be kept by each school, days. */
export const OPEN_DAYS: Readonly<Record<OpenRule, number>> = {
  'today only': 0,
  '30 days capped': 30,
};
/** Rest after a journey: overnight [C]. */
export const REST_HOURS = 12;

export type AdmitCode =
  | 'discarded'
  | 'empty'
  | 'opened too long'
  | 'opening date unknown'
  | 'not kept capped'
  | 'opened'
  | 'still resting';

export interface AdmitReason {
  readonly code: AdmitCode;
  readonly weight: 'stop' | 'caution';
}

export interface AdmitAnswer {
  readonly verdict: 'take' | 'with caution' | 'refuse';
  readonly reasons: readonly AdmitReason[];
}

/** Whether a container may be used today, by the workshop's rule; its grade is the adviser's business. */
export function admitContainer(c: ShelfContainer, rule: OpenRule): AdmitAnswer {
  const reasons: AdmitReason[] = [];
  if (c.state === 'discarded') reasons.push({ code: 'discarded', weight: 'stop' });
  if (c.leftMl <= 0) reasons.push({ code: 'empty', weight: 'stop' });
  if (c.state === 'opened') reasons.push(openReason(c, rule));
  if (c.restedHours !== null && c.restedHours < REST_HOURS)
    reasons.push({ code: 'still resting', weight: 'caution' });
  const verdict = reasons.some((r) => r.weight === 'stop')
    ? 'refuse'
    : reasons.length > 0
      ? 'with caution'
      : 'take';
  return { verdict, reasons };
}

function openReason(c: ShelfContainer, rule: OpenRule): AdmitReason {
  // An opening date that nobody knows counts as too old.
  if (c.openedDays === null) return { code: 'opening date unknown', weight: 'stop' };
  if (c.openedDays > OPEN_DAYS[rule]) return { code: 'opened too long', weight: 'stop' };
  return c.keptCapped
    ? { code: 'opened', weight: 'caution' }
    : { code: 'not kept capped', weight: 'stop' };
}
