import type { Job } from '@brook/contract';
import { gateWords, mayLetGo, ofWhat, type GateReason } from '@brook/core/job/gate';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ApiProblem } from '../../data/api';
import { useJobAct } from '../../data/job';
import { useSession } from '../../data/session';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Caution } from '../../ui/Notice';
import { colour, SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';

/** Paper that the gate asks for and that a lead may let go, each with a reason that stays on the record. */
export function LetGo({
  job,
  reasons,
}: {
  readonly job: Job;
  readonly reasons: readonly GateReason[];
}) {
  const user = useSession().data?.user;
  const paper = reasons.filter(mayLetGo);
  if (paper.length === 0) return null;
  if (user?.role !== 'lead')
    return (
      <Words size="small" tone="softWords">
        Missing paper: a lead may let it go, signed in as themself. What is looked at, tried or
        driven, nobody.
      </Words>
    );
  return (
    <View>
      <Words strong heading={2}>
        Paper you may let go
      </Words>
      {paper.map((reason) => (
        <OnePaper key={`${reason.code} ${ofWhat(reason)}`} job={job} reason={reason} />
      ))}
    </View>
  );
}

function OnePaper({
  job,
  reason,
}: {
  readonly job: Job;
  readonly reason: Parameters<typeof ofWhat>[0];
}) {
  const act = useJobAct(job);
  const [why, setWhy] = useState('');
  const problem = act.error instanceof ApiProblem ? act.error : null;
  const fault = problem?.faultOf('why');
  return (
    <View style={styles.paper}>
      <Words>{gateWords(reason)}</Words>
      <Field label="Why it is let go" value={why} onChange={setWhy} maxLength={300} fault={fault} />
      {act.error && !fault ? <Caution title={act.error.message} /> : null}
      <Button
        label="Let it go"
        disabled={why.trim().length < 3 || act.isPending}
        onPress={() =>
          act.mutate({
            kind: 'let go',
            override: { code: reason.code, of: ofWhat(reason), why: why.trim() },
          })
        }
      />
    </View>
  );
}

const styles = StyleSheet.create({
  paper: {
    gap: SPACE.small,
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
    paddingVertical: SPACE.medium,
  },
});
