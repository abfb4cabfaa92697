import type { Vehicle } from '@brook/contract';
import { lowerFirst } from '@brook/core/base/text';
import { clearsByLook, openItemTitle, type OpenItem } from '@brook/core/owed/openItems';
import { useState } from 'react';
import { View } from 'react-native';
import { useSayOfVehicle } from '../../data/vehicles';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { More } from '../../ui/More';
import { Caution } from '../../ui/Notice';

/** What anybody may say of a vehicle outside a job: what was looked at, that it must not be driven, and that another workshop cycled its modulator. */
export function SayOfVehicle({ vehicle }: { readonly vehicle: Vehicle }) {
  const owesCycle = vehicle.openItems.some((m) => m.kind === 'tool cycle owed');
  return (
    <View>
      {vehicle.openItems.filter(clearsByLook).map((m) => (
        <LookedAt key={m.id} vehicleId={vehicle.id} of={m} />
      ))}
      <MarkIt vehicleId={vehicle.id} />
      {owesCycle ? <CycledElsewhere vehicleId={vehicle.id} /> : null}
    </View>
  );
}

/** Bad news is taken back by a look: whoever looked says what they saw, and signs for it. */
function LookedAt({ vehicleId, of }: { readonly vehicleId: string; readonly of: OpenItem }) {
  const [saw, setSaw] = useState('');
  const say = useSayOfVehicle(vehicleId);
  return (
    <More title={`Looked at: ${lowerFirst(openItemTitle(of))}`} about={of.because}>
      <Field
        label="What did you look at, and what did you see?"
        value={saw}
        onChange={setSaw}
        maxLength={300}
        fault={say.error?.message ?? null}
      />
      <Button
        label="I looked at it"
        disabled={saw.trim().length < 3 || say.isPending}
        onPress={() => say.mutate({ kind: 'looked at', openItemId: of.id, saw: saw.trim() })}
      />
    </More>
  );
}

function MarkIt({ vehicleId }: { readonly vehicleId: string }) {
  const [reason, setReason] = useState('');
  const say = useSayOfVehicle(vehicleId);
  return (
    <More title="Mark it “do not drive”" about="Anybody may, with a reason: towed in, no pedal">
      <Field
        label="Reason"
        value={reason}
        onChange={setReason}
        maxLength={300}
        fault={say.error?.message ?? null}
      />
      <Button
        label="Mark it"
        disabled={reason.trim().length < 3 || say.isPending}
        onPress={() =>
          say.mutate({ kind: 'marked', reason: reason.trim() }, { onSuccess: () => setReason('') })
        }
      />
    </More>
  );
}

/** The paper of a workshop that has the tool; one that names the cycle alone leaves the base bleed owed. */
function CycledElsewhere({ vehicleId }: { readonly vehicleId: string }) {
  const [paper, setPaper] = useState({ workshop: '', date: '', paper: '' });
  const [bled, setBled] = useState<'yes' | 'no' | null>(null);
  const say = useSayOfVehicle(vehicleId);
  const set = (more: Partial<typeof paper>) => setPaper((p) => ({ ...p, ...more }));
  const whole = Object.values(paper).every((v) => v.trim() !== '') && bled !== null;
  return (
    <More title="The tool cycle was done elsewhere" about="By the paper of that workshop">
      <Field
        label="Workshop"
        value={paper.workshop}
        onChange={(workshop) => set({ workshop })}
        maxLength={80}
      />
      <Field
        label="Date"
        why="Like 2026-04-30"
        value={paper.date}
        onChange={(date) => set({ date })}
        maxLength={10}
      />
      <Field
        label="Number of the paper"
        value={paper.paper}
        onChange={(p) => set({ paper: p })}
        maxLength={60}
      />
      <Choice
        question="Does the paper name the bleed after it?"
        options={[
          { value: 'yes', label: 'Yes' },
          { value: 'no', label: 'No' },
        ]}
        chosen={bled}
        onChoose={setBled}
      />
      {bled === 'no' ? (
        <Caution title="The base bleed stays owed">
          What the cycle stirs up must be bled away. It stays “do not drive” until then.
        </Caution>
      ) : null}
      {say.error ? <Caution title={say.error.message} /> : null}
      <Button
        label="Put this paper in"
        disabled={!whole || say.isPending}
        onPress={() => say.mutate({ kind: 'cycle elsewhere', ...paper, bledAfter: bled === 'yes' })}
      />
    </More>
  );
}
