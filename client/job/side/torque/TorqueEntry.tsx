import type { Job } from '@brook/contract';
import type { Layout } from '@brook/core/vehicle/circuit';
import { manualTorqueOf } from '@brook/core/job/log';
import {
  jointAgain,
  jointHolds,
  TORQUE_UNITS,
  torqueFault,
  torquePair,
} from '@brook/core/vehicle/torque';
import { convertTorque, type TorqueUnit } from '@brook/core/base/units';
import { useState } from 'react';
import type { LiveJob } from '../../../data/run';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Field } from '../../../ui/Field';
import { Caution } from '../../../ui/Notice';
import { typedNumber } from '../../../ui/typedNumber';
import { useUnits } from '../../../ui/unitChoice';
import { Words } from '../../../ui/Words';

export interface TorqueEntryProps {
  readonly job: Pick<Job, 'manualTorques'>;
  readonly layout: Layout;
  readonly live: LiveJob;
  readonly elementId: string;
  readonly onSaid?: () => void;
}

/** Torque of one joint: the manual's value, known from before or looked up now, and what was applied; by feel is said as such. */
export function TorqueEntry({ job, layout, live, elementId, onSaid }: TorqueEntryProps) {
  const known = manualTorqueOf(elementId, {
    log: live.job.log,
    earlier: job.manualTorques,
    layout,
  });
  const [unit, setUnit] = useState<TorqueUnit>(useUnits().torque);
  const [manual, setManual] = useState('');
  const [applied, setApplied] = useState('');
  const bleeder = layout.bleeders.some((b) => b.id === elementId);
  const nm = (text: string): number | null =>
    text.trim() === '' ? null : convertTorque(typedNumber(text), unit, 'N·m');
  const manualNm = nm(manual) ?? known?.manualNm ?? null;
  const appliedNm = nm(applied);
  const faultOf = (value: number | null) => (value === null ? null : torqueFault(value, bleeder));
  const good = faultOf(manualNm) === null && faultOf(appliedNm) === null;
  const joint = { manualNm, appliedNm };
  const again = good && appliedNm !== null ? jointAgain(joint) : null;
  const holds = jointHolds(joint)
    ? 'It holds the vehicle until it is put right.'
    : 'It goes on the list to be looked at again.';
  const say = (by: number | null) => {
    live.say({ kind: 'joint tightened', elementId, manualNm, appliedNm: by });
    setApplied('');
    setManual('');
    onSaid?.();
  };
  return (
    <>
      <Choice
        question="Read in"
        options={TORQUE_UNITS.map((u) => ({ value: u, label: u }))}
        chosen={unit}
        onChoose={setUnit}
      />
      {known ? <Words strong>{`Manual: ${torquePair(known.manualNm)} (${known.by})`}</Words> : null}
      <Field
        label={known ? 'The manual says another' : 'The manual’s value'}
        why="From the manual of this vehicle; the app knows none."
        unit={unit}
        unitAsSaid
        inputMode="decimal"
        value={manual}
        onChange={setManual}
        fault={faultOf(nm(manual))}
      />
      {manual !== '' && manualNm !== null && faultOf(manualNm) === null ? (
        <Words strong>{torquePair(manualNm)}</Words>
      ) : null}
      <Field
        label="Applied"
        unit={unit}
        unitAsSaid
        inputMode="decimal"
        value={applied}
        onChange={setApplied}
        fault={faultOf(appliedNm)}
      />
      {appliedNm !== null && faultOf(appliedNm) === null ? (
        <Words strong>{torquePair(appliedNm)}</Words>
      ) : null}
      {again === 'above' || again === 'far above' ? (
        <Caution title={`Above the manual’s ${torquePair(manualNm!)}`}>
          {`A thread may be stretched or a bleeder cracked. Slacken it, look at it, tighten it anew. ${holds}`}
        </Caution>
      ) : null}
      {again === 'below' ? (
        <Caution title={`Below the manual’s ${torquePair(manualNm!)}`}>
          {`It may weep or work loose. Tighten it to its value. ${holds}`}
        </Caution>
      ) : null}
      <Button
        label="That was applied"
        disabled={!good || appliedNm === null}
        onPress={() => say(appliedNm)}
      />
      <Button label="By feel" disabled={!good} onPress={() => say(null)} />
    </>
  );
}
