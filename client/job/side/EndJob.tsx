import type { Job } from '@brook/contract';
import { isClosed } from '@brook/core/job/stage';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ApiProblem } from '../../data/api';
import { useJobAct } from '../../data/job';
import { useFolded } from '../../data/jobFold';
import { PotUnderPressure } from './PotUnderPressure';
import { Field } from '../../ui/Field';
import { Press } from '../../ui/Press';
import { Words } from '../../ui/Words';
import { colour, SPACE } from '../../ui/theme';

/** End a job unreleased, with its reason. */
export function EndJob({ job }: { readonly job: Job }) {
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState('');
  const act = useJobAct(job);
  if (isClosed(job.stage)) return null;
  if (!asking) {
    return (
      <Press role="button" onPress={() => setAsking(true)} style={styles.quiet}>
        <Words size="small" strong>
          End this job unreleased …
        </Words>
      </Press>
    );
  }
  const fault =
    act.error instanceof ApiProblem
      ? (act.error.faultOf('reason') ?? act.error.message)
      : act.error?.message;
  return (
    <View style={styles.box}>
      <PotAtTheEnd job={job} />
      <Field
        label="Why does it end here?"
        why="It stays on the record. A vehicle that was opened stays “do not drive”."
        value={reason}
        onChange={setReason}
        maxLength={300}
        fault={fault ?? null}
      />
      <View style={styles.line}>
        <Press role="button" onPress={() => setAsking(false)} style={styles.button}>
          <Words strong align="center">
            Keep the job
          </Words>
        </Press>
        <Press
          role="button"
          onPress={() => act.mutate({ kind: 'end', reason })}
          style={styles.button}
        >
          <Words strong align="center">
            End it
          </Words>
        </Press>
      </View>
    </View>
  );
}

const PotAtTheEnd = ({ job }: { readonly job: Job }) =>
  useFolded(job).run?.pressureOn ? <PotUnderPressure /> : null;

const styles = StyleSheet.create({
  quiet: { alignSelf: 'flex-start' },
  box: {
    gap: SPACE.medium,
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
    paddingTop: SPACE.medium,
  },
  line: { flexDirection: 'row', gap: SPACE.small },
  button: { flex: 1, borderWidth: 1, borderColor: colour.edge },
});
