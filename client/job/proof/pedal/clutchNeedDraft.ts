import { PITCH_MM, SLAVE_NEED_MM, TAKE_UP_MM } from '@brook/core/control/clutch';
import type { ClutchNeed } from '@brook/core/job/log';
import { inRange, type Range } from '@brook/core/base/units';
import { lengthFault, typedLengthMm } from '../../../ui/typedLength';

/** What a clutch needs, as it is typed. */
export interface ClutchNeedDraft {
  readonly slaveTravel: string;
  readonly least: string;
  readonly most: string;
  readonly pitch: string;
}

/** What was typed, and at each field what would be right; what cannot be kept is null. */
export interface ClutchNeedTyped extends Pick<ClutchNeed, 'slaveTravelMm' | 'window' | 'pitchMm'> {
  readonly faults: Readonly<Record<keyof ClutchNeedDraft, string | null>>;
}

const shown = (mm: number | null | undefined): string => (mm == null ? '' : String(mm));

/** The draft of what is known: of this job, or of an earlier one. */
export const clutchNeedDraftOf = (known: ClutchNeed | null): ClutchNeedDraft => ({
  slaveTravel: shown(known?.slaveTravelMm),
  least: shown(known?.window?.leastMm),
  most: shown(known?.window?.mostMm),
  pitch: shown(known?.pitchMm),
});

/** Read what was typed: a window has both ends or none. */
export function clutchNeedTyped(draft: ClutchNeedDraft): ClutchNeedTyped {
  const { least, most } = draft;
  const leastMm = read(least, TAKE_UP_MM);
  const mostMm = read(most, TAKE_UP_MM);
  const faults = {
    slaveTravel: lengthFault(draft.slaveTravel, SLAVE_NEED_MM),
    least: lengthFault(least, TAKE_UP_MM) ?? missing(least, most),
    most:
      lengthFault(most, TAKE_UP_MM) ??
      missing(most, least) ??
      (leastMm !== null && mostMm !== null && mostMm <= leastMm
        ? `The window should end above ${leastMm} mm.`
        : null),
    pitch: lengthFault(draft.pitch, PITCH_MM),
  };
  const whole = !faults.least && !faults.most && leastMm !== null && mostMm !== null;
  return {
    slaveTravelMm: read(draft.slaveTravel, SLAVE_NEED_MM),
    window: whole ? { leastMm, mostMm } : null,
    pitchMm: read(draft.pitch, PITCH_MM),
    faults,
  };
}

const empty = (text: string): boolean => text.trim() === '';

const missing = (end: string, other: string): string | null =>
  empty(end) && !empty(other) ? 'Give both ends of the window, or neither.' : null;

function read(text: string, range: Range): number | null {
  const mm = typedLengthMm(text);
  return !empty(text) && inRange(range, mm) ? Number(mm.toFixed(2)) : null;
}
