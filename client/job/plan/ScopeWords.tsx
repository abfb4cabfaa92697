import type { Job } from '@brook/contract';
import { bleederName } from '@brook/core/vehicle/circuit';
import { partnerWays, type Plan } from '@brook/core/bleed/plan';
import {
  adviceWords,
  bleederWords,
  nameOf,
  UNMET_WORDS,
  type PartnerAdvice,
} from '@brook/core/bleed/scope';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { capital, lowerFirst } from '@brook/core/base/text';
import { shortDate } from '../../ui/dates';
import { FigureRow } from '../../ui/FigureValue';
import { More } from '../../ui/More';
import { Caution } from '../../ui/Notice';
import { colour, SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';

/** Which bleeders are opened and which may stay shut, each with the reason; what was not done with care; what wears together. */
export function ScopeWords({ plan }: { readonly plan: Plan }) {
  const { scope, layout } = plan;
  if (plan.work.purpose === 'routine flush' && scope.bleeders.every((b) => b.open)) return null;
  const shut = scope.bleeders.filter((b) => !b.open).length;
  return (
    <View style={styles.scope}>
      {scope.unmet.map((u) => (
        <Caution key={`${u.partId}-${u.condition}`} title={UNMET_WORDS[u.condition]}>
          {nameOf(layout, u.partId)}
        </Caution>
      ))}
      {scope.bleeders.every((b) => !b.open) ? (
        <Words>
          No bleeder need be opened. Any softness afterwards brings the whole bleed, without
          argument.
        </Words>
      ) : null}
      <More
        title="What is opened, and why"
        about={
          shut === 0
            ? 'Every bleeder'
            : `${scope.bleeders.length - shut} of ${scope.bleeders.length} bleeders`
        }
      >
        <View role="list">
          {scope.bleeders.map((b) => (
            <View key={b.bleederId} role="listitem" style={styles.line}>
              <Words
                strong
              >{`${capital(bleederName(layout.bleeders.find((x) => x.id === b.bleederId)!))}: ${b.open ? 'open' : 'stays shut'}`}</Words>
              <Words size="small">{bleederWords(layout, b)}</Words>
            </View>
          ))}
        </View>
      </More>
      {scope.advice.map((a) => (
        <View key={a.partnerId} style={styles.advice}>
          <Words size="small" strong>
            Advice, common practice
          </Words>
          <Words>{adviceWords(a)}</Words>
          <BothWays plan={plan} advice={a} />
        </View>
      ))}
    </View>
  );
}

/** What the last job advised and left, for this one to take up. */
export function LeftBefore({ job }: { readonly job: Job }) {
  return (
    <>
      {job.notDone.map((n) => (
        <Caution
          key={n.what}
          title={`Left at the job of ${shortDate(n.at)}: ${lowerFirst(n.what)}`}
        >
          {n.advise === 'next clutch job'
            ? 'Kept for the next clutch job: weigh it now.'
            : n.advise === 'ask its age'
              ? 'It wears together with what was renewed then, and nobody said how old it is.'
              : 'It wears together with what was renewed then.'}
        </Caution>
      ))}
    </>
  );
}

/** The minutes of both ways, so that the advice can be weighed. */
function BothWays({ plan, advice }: { readonly plan: Plan; readonly advice: PartnerAdvice }) {
  const ways = useMemo(() => partnerWays(plan, advice), [plan, advice]);
  if (!ways) return null;
  return (
    <>
      <FigureRow figure={ways.sameJob} label="More minutes in this job" />
      <FigureRow figure={ways.later} label="As a job of its own, later" />
    </>
  );
}

const styles = StyleSheet.create({
  scope: { gap: SPACE.small },
  line: { borderTopWidth: 1, borderTopColor: colour.hairline, paddingVertical: SPACE.small },
  advice: { borderLeftWidth: 3, borderLeftColor: colour.edge, paddingLeft: SPACE.medium },
});
