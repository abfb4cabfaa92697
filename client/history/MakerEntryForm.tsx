import type { Vehicle } from '@brook/contract';
import { bleederName, type Layout } from '@brook/core/circuit';
import { GRADES, type Grade } from '@brook/core/fluid';
import { useState } from 'react';
import { ApiProblem } from '../data/api';
import { useMakerEntry } from '../data/vehicles';
import { sameData } from '../forms/threeWay';
import { Button } from '../ui/Button';
import { Choices } from '../ui/Choices';
import { capital } from '@brook/core/text';
import { Field } from '../ui/Field';
import { More } from '../ui/More';
import { Caution } from '../ui/Notice';
import { useUnsaved } from '../ui/unsaved';

const GRADE_OPTIONS = GRADES.map((g) => ({ value: g.grade, label: g.words }));

/** What the vehicle's maker asks for, as looked up: it beats cap, forecast and house rule. */
export function MakerEntryForm({ vehicle }: { readonly vehicle: Vehicle }) {
  const entry = vehicle.makerEntry;
  const stands = {
    grades: entry?.grades ?? [],
    low: entry?.lowViscosity ?? false,
    months: entry?.intervalMonths?.toString() ?? '',
    order: entry?.order ?? [],
  };
  const [grades, setGrades] = useState<readonly Grade[]>(stands.grades);
  const [low, setLow] = useState(stands.low);
  const [months, setMonths] = useState(stands.months);
  const [order, setOrder] = useState<readonly string[]>(stands.order);
  // What was opened: a colleague's entry since then is a conflict, not to be written over.
  const [builtOn, setBuiltOn] = useState(vehicle.version);
  useUnsaved(!sameData({ grades, low, months, order }, stands));
  const save = useMakerEntry({ id: vehicle.id, version: builtOn });
  const problem = save.error instanceof ApiProblem ? save.error : null;
  const words = [
    entry?.grades.join(' or '),
    entry?.lowViscosity ? 'low viscosity' : null,
    entry?.intervalMonths ? `every ${entry.intervalMonths} months` : null,
    entry?.order ? 'its own order' : null,
  ]
    .filter(Boolean)
    .join(', ');
  return (
    <More
      title="The maker’s word"
      about={words || 'Nothing entered. It would beat cap, forecast and house rule.'}
    >
      {vehicle.version !== builtOn && save.isError ? (
        <>
          <Caution title="Somebody changed this vehicle meanwhile">
            {`The maker’s word stands as: ${words || 'nothing entered'}. Yours is still below.`}
          </Caution>
          <Button label="Go on with mine" onPress={() => setBuiltOn(vehicle.version)} />
          <Button
            label="Take theirs"
            onPress={() => {
              setGrades(stands.grades);
              setLow(stands.low);
              setMonths(stands.months);
              setOrder(stands.order);
              setBuiltOn(vehicle.version);
            }}
          />
        </>
      ) : null}
      <Choices
        question="The maker asks for"
        why="From the service information of this very vehicle; nothing is guessed."
        options={GRADE_OPTIONS}
        chosen={grades}
        onChoose={setGrades}
        mayBeNone
      />
      <Choices
        question="And for low viscosity?"
        options={[{ value: 'low', label: 'Yes: class 6 or 7' }]}
        chosen={low ? ['low'] : []}
        onChoose={(c) => setLow(c.includes('low'))}
        mayBeNone
      />
      <Field
        label="Interval"
        why="Leave it empty where the maker gives none."
        value={months}
        onChange={setMonths}
        unit="months"
        inputMode="numeric"
        fault={problem?.faultOf('intervalMonths')}
      />
      <MakerOrder layout={vehicle.layout} order={order} onOrder={setOrder} />
      {save.error && !problem?.faults.length ? <Caution title={save.error.message} /> : null}
      <Button
        label="Keep the maker’s word"
        disabled={save.isPending}
        onPress={() =>
          save.mutate(
            {
              grades: [...grades],
              lowViscosity: low,
              order: order.length > 0 ? [...order] : null,
              intervalMonths: months.trim() === '' ? null : Number(months),
            },
            { onSuccess: (changed) => setBuiltOn(changed.version) },
          )
        }
      />
    </More>
  );
}

/** The maker's order of bleeders: tapped in that order, taken back by another tap. */
function MakerOrder({
  layout,
  order,
  onOrder,
}: {
  readonly layout: Layout;
  readonly order: readonly string[];
  readonly onOrder: (order: readonly string[]) => void;
}) {
  const called = (id: string) => bleederName(layout.bleeders.find((b) => b.id === id)!);
  const known = order.filter((id) => layout.bleeders.some((b) => b.id === id));
  return (
    <Choices
      question="The maker’s order"
      why={
        known.length > 0
          ? known.map(called).join(' › ')
          : 'Tap the bleeders in the order of the service information. It wins over every school.'
      }
      mayBeNone
      options={layout.bleeders.map((b) => ({
        value: b.id,
        label: `${known.includes(b.id) ? `${known.indexOf(b.id) + 1} · ` : ''}${capital(bleederName(b))}`,
      }))}
      chosen={known}
      onChoose={onOrder}
    />
  );
}
