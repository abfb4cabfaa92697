import type { Job } from '@brook/contract';
import { useState } from 'react';
import { useJobLog } from '../../data/run';
import { useSession } from '../../data/session';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { More } from '../../ui/More';

/** What somebody adds to a closed record: under their name, beside it, never in it. */
export function SignedNote({ job }: { readonly job: Job }) {
  const { say, ready } = useJobLog(job);
  const name = useSession().data?.user.name ?? '';
  const [text, setText] = useState('');
  const words = text.trim();
  return (
    <More title="Add a signed note" about="Beside the record, under your name">
      <Field
        label="Note"
        why={`Signed ${name}. The record itself stays as it is; nobody changes a note either.`}
        value={text}
        onChange={setText}
        maxLength={500}
      />
      <Button
        label="Sign and add"
        disabled={!ready || words.length < 2}
        onPress={() => {
          say({ kind: 'note', text: words });
          setText('');
        }}
      />
    </More>
  );
}
