import type { Job } from '@brook/contract';
import { openItemTitle, type OpenItem } from '@brook/core/owed/openItems';
import { useState } from 'react';
import { View } from 'react-native';
import type { LiveRun } from '../../data/run';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { More } from '../../ui/More';

/** What is settled by saying what was done. */
const PUT_RIGHT: readonly OpenItem['kind'][] = ['leak', 'look again', 'tightness'];

/** Leaks, and what is to be looked at again, that a job before left or that were found at intake: where each was mended and how, as far as nobody has said so yet. */
export function LeakLooked({ job, run }: { readonly job: Job; readonly run: LiveRun }) {
  const mended = new Set(
    run.state.log.flatMap((e) => (e.kind === 'mended' && e.openItemId ? [e.openItemId] : [])),
  );
  // What was found at intake is of the vehicle as a whole; a leak in the run is mended where it halted.
  const own = job.leaves.filter((m) => m.where === null);
  const leaks = [...job.before, ...own].filter(
    (m) => PUT_RIGHT.includes(m.kind) && !mended.has(m.id),
  );
  return (
    <View>
      {leaks.map((m) => (
        <More
          key={m.id}
          title={`${m.where === null ? m.because : openItemTitle(m)}. Mended?`}
          about="Where, and what was done"
        >
          <Mend
            label={m.kind === 'leak' ? 'Mended, and dry' : 'Put right'}
            onMended={(where, how) =>
              run.say({ kind: 'mended', haltId: null, openItemId: m.id, where, how })
            }
          />
        </More>
      ))}
    </View>
  );
}

function Mend({
  label,
  onMended,
}: {
  readonly label: string;
  readonly onMended: (where: string, how: string) => void;
}) {
  const [where, setWhere] = useState('');
  const [how, setHow] = useState('');
  return (
    <>
      <Field label="Where" value={where} onChange={setWhere} maxLength={120} />
      <Field label="What was done" value={how} onChange={setHow} maxLength={300} />
      <Button
        label={label}
        disabled={where.trim().length < 2 || how.trim().length < 3}
        onPress={() => onMended(where.trim(), how.trim())}
      />
    </>
  );
}
