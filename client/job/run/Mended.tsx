import type { Halt } from '@brook/core/job/run';
import { useState } from 'react';
import { View } from 'react-native';
import type { LiveRun } from '../../data/run';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { Caution } from '../../ui/Notice';
import { Words } from '../../ui/Words';
import { SPACE } from '../../ui/theme';

/** A leak that was mended in this job: where, what was done, and that it was looked at under a push. It is looked at again in the proof. */
export function Mended({ run, halt }: { readonly run: LiveRun; readonly halt: Halt }) {
  const [where, setWhere] = useState('');
  const [how, setHow] = useState('');
  const [dry, setDry] = useState<'dry' | 'wet' | null>(null);
  const whole = where.trim().length >= 2 && how.trim().length >= 3 && dry === 'dry';
  return (
    <View style={{ gap: SPACE.medium }}>
      <Words strong heading={2}>
        Mend it, then look again
      </Words>
      <Caution title="Remade or renewed, never tightened past its figure">
        A weeping flare, washer or bleeder that is only pulled tighter weeps again.
      </Caution>
      <Field label="Where" value={where} onChange={setWhere} maxLength={120} />
      <Field label="What was done" value={how} onChange={setHow} maxLength={300} />
      <Choice
        question="Wiped, firm push held one minute. And now?"
        options={[
          { value: 'dry', label: 'Dry' },
          { value: 'wet', label: 'Wet' },
        ]}
        chosen={dry}
        onChoose={setDry}
        fault={dry === 'wet' ? 'Not mended yet. Mend it, wipe it, look again.' : null}
      />
      <Button
        label="Mended, go on"
        disabled={!whole}
        onPress={() =>
          run.say({ kind: 'mended', haltId: halt.eventId, where: where.trim(), how: how.trim() })
        }
      />
    </View>
  );
}
