import type { Control } from '../../vehicle/circuit';
import { takeUpOf, type TakeUp } from '../../control/clutch';
import type { ControlMeasured, PedalResult } from '../../control/pedal';
import type { TakeUpRead } from './measured';
import { proofOf, type JobState } from './state';

/** What a closed job knew of one control: for the next job, and for the trend of the vehicle. */
export interface ControlOnRecord {
  readonly masterId: string;
  readonly control: Control;
  /** The word that counted; null where it was measured and not judged. */
  readonly result: PedalResult | TakeUp | null;
  /** The word that the readings of the end amount to; null where they do not amount to one. */
  readonly byMeasure: PedalResult | TakeUp | null;
  /** Who said it by feel; null where it was measured alone. */
  readonly byFeel: string | null;
  /** In each state in which it was measured. */
  readonly measured: readonly ControlMeasured[];
  /** Of a clutch, where it takes up by a ruler; null where nobody measured it. */
  readonly takeUp: TakeUpRead | null;
}

/** What a job knew of each control that was judged or measured in it. */
export function controlsOnRecord(
  job: Pick<JobState, 'proof' | 'fluidUsed' | 'run'>,
): ControlOnRecord[] {
  const { run, proof } = job;
  if (!run) return [];
  const { controls } = proofOf(job);
  return run.plan.layout.masters.flatMap(({ id, control }) => {
    const { pedal = null, takeUp = null, measured: judged = null } = controls[id] ?? {};
    const said = proof.answers.find((a) => a.masterId === id && a.item === 'result');
    const measured = proof.measured.filter((m) => m.masterId === id);
    const result = pedal ?? takeUp;
    const ruler = proof.takeUps.find((t) => t.masterId === id) ?? null;
    return result === null && measured.length === 0
      ? []
      : [
          {
            masterId: id,
            control,
            result,
            byMeasure:
              judged && 'result' in judged
                ? judged.result
                : ruler && takeUpOf(ruler.restMm, ruler.takeUpMm),
            byFeel: said?.person ?? null,
            measured,
            takeUp: ruler,
          },
        ];
  });
}
