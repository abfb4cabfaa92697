import { useState } from 'react';
import type { LiveRun } from '../../data/run';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { More } from '../../ui/More';

/** Leaving a stage out is a decision with a reason; it stays on the record. */
export function SkipStage({ run, stageId }: { readonly run: LiveRun; readonly stageId: string }) {
  const [reason, setReason] = useState('');
  return (
    <More title="Leave this out" about="Skip it, with a reason. It shows before release">
      <Field label="Reason" value={reason} onChange={setReason} maxLength={300} />
      <Button
        label="Leave it out"
        disabled={reason.trim().length < 3}
        onPress={() => run.say({ kind: 'stage skipped', stageId, reason: reason.trim() })}
      />
    </More>
  );
}
