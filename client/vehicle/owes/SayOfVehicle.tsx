import type { Vehicle } from '@brook/contract';
import { lowerFirst } from '@brook/core/base/text';
import { clearsByLook, openItemTitle, type OpenItem } from '@brook/core/owed/openItems';
import type { VehicleHappening } from '@brook/core/job/events';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { useSayOfVehicle } from '../../data/vehicles';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { More } from '../../ui/More';
import { Caution } from '../../ui/Notice';

/** What anybody may say of a vehicle outside a job: what was looked at, that it must not be driven, and what a workshop did by its paper. */
export function SayOfVehicle({ vehicle }: { readonly vehicle: Vehicle }) {
  const owes = (kind: OpenItem['kind']) => vehicle.openItems.some((m) => m.kind === kind);
  return (
    <View>
      {vehicle.openItems.filter(clearsByLook).map((m) => (
        <LookedAt key={m.id} vehicleId={vehicle.id} of={m} />
      ))}
      <MarkIt vehicleId={vehicle.id} />
      {owes('tool cycle owed') ? <CycledElsewhere vehicleId={vehicle.id} /> : null}
      {owes('wrong fluid') || owes('product not known') ? (
        <RubberRenewed vehicleId={vehicle.id} />
      ) : null}
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
  const [bled, setBled] = useState<'yes' | 'no' | null>(null);
  const say = useSayOfVehicle(vehicleId);
  return (
    <More title="The tool cycle was done elsewhere" about="By the paper of that workshop">
      <Paper
        whole={bled !== null}
        say={say}
        put={(paper) => ({ kind: 'cycle elsewhere', ...paper, bledAfter: bled === 'yes' })}
      >
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
      </Paper>
    </More>
  );
}

/** All rubber renewed after a wrong fluid, by whoever did it: this workshop or another, by name, day and paper. */
function RubberRenewed({ vehicleId }: { readonly vehicleId: string }) {
  const say = useSayOfVehicle(vehicleId);
  return (
    <More title="All rubber was renewed" about="By name, day and paper of the workshop that did it">
      <Caution title="All of it, and flushed after it">
        Seals of every caliper, cylinder and master, hoses, grommets, diaphragm and cap seal, the
        pressure switch, and a modulator as a whole unit. One part that stays swells and fails
        later.
      </Caution>
      <Paper whole say={say} put={(paper) => ({ kind: 'stripped elsewhere', ...paper })} />
    </More>
  );
}

interface PaperOf {
  readonly workshop: string;
  readonly date: string;
  readonly paper: string;
}

/** Who did it, on which day, and the number of the paper that says so. */
function Paper({
  whole,
  say,
  put,
  children,
}: {
  /** Whether what is asked besides is answered. */
  readonly whole: boolean;
  readonly say: ReturnType<typeof useSayOfVehicle>;
  readonly put: (paper: PaperOf) => VehicleHappening;
  readonly children?: ReactNode;
}) {
  const [paper, setPaper] = useState<PaperOf>({ workshop: '', date: '', paper: '' });
  const set = (more: Partial<PaperOf>) => setPaper((p) => ({ ...p, ...more }));
  const filled = Object.values(paper).every((v) => v.trim() !== '');
  return (
    <>
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
      {children}
      {say.error ? <Caution title={say.error.message} /> : null}
      <Button
        label="Put this paper in"
        disabled={!whole || !filled || say.isPending}
        onPress={() => say.mutate(put(paper))}
      />
    </>
  );
}
