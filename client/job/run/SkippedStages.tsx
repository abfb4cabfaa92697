import { skippedStages, type RunState } from '@brook/core/job/run';
import { Caution } from '../../ui/Notice';

/** What was left out of the plan by decision: the test at the pedal or lever carries the burden. */
export function SkippedStages({ state }: { readonly state: RunState }) {
  return (
    <>
      {skippedStages(state).map((s) => (
        <Caution key={s.title} title={`Left out by decision: ${s.title}`}>
          {s.reason}
        </Caution>
      ))}
    </>
  );
}
