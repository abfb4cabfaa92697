import type { Job } from '@brook/contract';
import { HOLD_WORDS, type FluidVerdict } from '@brook/core/fluid/verdict';
import { View } from 'react-native';
import { Caution } from '../../ui/Notice';
import { SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';
import type { FluidDraft } from './entry';
import { ConditionView, MinimumView, StopView } from './FluidVerdictView';
import { GoodUntil } from './GoodUntil';

/** The verdict as it stands, before anything is sent. */
export function FluidDecided({
  job,
  verdict,
  looked,
  placeOf,
  draft,
}: {
  readonly job: Job;
  readonly verdict: FluidVerdict;
  readonly looked: boolean;
  readonly placeOf: (point: string) => string;
  readonly draft: FluidDraft;
}) {
  if (verdict.verdict === 'stop') return <StopView verdict={verdict} />;
  return (
    <View style={{ gap: SPACE.medium }} aria-live="polite">
      {verdict.hold === 'water test' ? (
        <Caution title={HOLD_WORDS['water test'].title}>{HOLD_WORDS['water test'].say}</Caution>
      ) : null}
      {verdict.condition && looked ? (
        <ConditionView answer={verdict.condition} placeOf={placeOf} />
      ) : (
        <Words tone="softWords">
          What to do stands here once the cap is read and the fluid was looked at.
        </Words>
      )}
      {verdict.condition && looked && verdict.condition.verdict !== 'stop' ? (
        <GoodUntil job={job} draft={draft} />
      ) : null}
      <MinimumView verdict={verdict} />
    </View>
  );
}
