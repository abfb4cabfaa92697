import { type PlanOpening } from '@brook/core/bleed/stages';
import type { Figure } from '@brook/core/base/figure';
import { bleederName } from '@brook/core/vehicle/circuit';
import { methodWords } from '@brook/core/bleed/method';
import { wrenchMm, type Plan } from '@brook/core/bleed/plan';
import { memo } from 'react';
import { StyleSheet, View } from 'react-native';
import { JobsLink } from '../frame/JobHead';
import { capital } from '@brook/core/base/text';
import { FigureValue } from '../../ui/FigureValue';
import { Numeral } from '../../ui/Numeral';
import { Words } from '../../ui/Words';
import { MIN_CONTENT, SPACE } from '../../ui/theme';

interface RunHeadProps {
  readonly plan: Plan;
  /** Bleeder in hand; null when all are through. */
  readonly opening: PlanOpening | null;
  readonly finished: boolean;
  /** What is to be poured before anything else, or null. */
  readonly pour: Figure | null;
  /** How many open items of earlier jobs are taken over. */
  readonly owes: number;
}

/** Where the run stands: which bleeder, which of how many, which wrench. Drawn anew when one of them changes, not at every stroke. */
export const RunHead = memo(function RunHead({
  plan,
  opening,
  finished,
  pour,
  owes,
}: RunHeadProps) {
  return (
    <View>
      <View style={styles.line}>
        <View style={styles.grow}>
          <Words size="head" heading={1}>
            {opening
              ? capital(bleederName(opening.bleeder))
              : finished
                ? 'Bleed is through'
                : 'Last fill'}
          </Words>
        </View>
        {opening ? (
          <Numeral>{`${plan.openings.indexOf(opening) + 1} of ${plan.openings.length}`}</Numeral>
        ) : null}
      </View>
      {opening ? (
        <Words size="small" strong>
          {methodWords(opening.method, plan.layout).rule}
        </Words>
      ) : null}
      <View style={styles.line}>
        <View style={styles.grow}>
          <Words size="small" tone="softWords">
            {[
              ...(opening ? [toolWords(opening)] : []),
              // Whether it may be driven stands in the strip above.
              ...(owes > 0 ? [`owes ${owes} from before`] : []),
            ].join(' · ')}
          </Words>
        </View>
        {pour ? (
          <FigureValue figure={pour} />
        ) : opening ? (
          <FigureValue figure={opening.strokes} text={`${opening.strokes.value} planned`} />
        ) : null}
        <JobsLink />
      </View>
    </View>
  );
});

/** @example "8 mm wrench, cracked open" */
function toolWords({ bleeder }: PlanOpening): string {
  const wide = wrenchMm(bleeder);
  const wrench = wide === null ? 'Wrench to fit' : `${wide} mm wrench`;
  return `${wrench}, ${bleeder.type === 'screw' ? 'cracked open' : 'a quarter turn'}`;
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', columnGap: SPACE.medium },
  grow: { flex: 1, minWidth: MIN_CONTENT },
});
