import type { Job } from '@brook/contract';
import { matterTitle } from '@brook/core/matters';
import { useState } from 'react';
import { View } from 'react-native';
import type { LiveRun } from '../data/run';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { More } from '../ui/More';

/** Leaks that a job before left: where each was mended and how, as far as nobody has said so yet. */
export function LeakLooked({ job, run }: { readonly job: Job; readonly run: LiveRun }) {
  const mended = new Set(
    run.state.log.flatMap((e) => (e.kind === 'mended' && e.matterId ? [e.matterId] : [])),
  );
  const leaks = job.before.filter((m) => m.kind === 'leak' && !mended.has(m.id));
  return (
    <View>
      {leaks.map((m) => (
        <More key={m.id} title={`${matterTitle(m)}. Mended?`} about="Where, and what was done">
          <Mend
            onMended={(where, how) =>
              run.say({ kind: 'mended', haltId: null, matterId: m.id, where, how })
            }
          />
        </More>
      ))}
    </View>
  );
}

function Mend({ onMended }: { readonly onMended: (where: string, how: string) => void }) {
  const [where, setWhere] = useState('');
  const [how, setHow] = useState('');
  return (
    <>
      <Field label="Where" value={where} onChange={setWhere} maxLength={120} />
      <Field label="What was done" value={how} onChange={setHow} maxLength={300} />
      <Button
        label="Mended, and dry"
        disabled={where.trim().length < 2 || how.trim().length < 3}
        onPress={() => onMended(where.trim(), how.trim())}
      />
    </>
  );
}
