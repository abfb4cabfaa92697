import { wayTo } from '@brook/core/fluid/inside';
import {
  bleederName,
  findables,
  sizeFault,
  sizeValue,
  SIZE_FIELDS,
  THREAD,
  WAYS_KNOWN,
  type Findable,
  type HowKnown,
} from '@brook/core/vehicle/circuit';
import type { Plan } from '@brook/core/bleed/plan';
import type { PlanOpening } from '@brook/core/bleed/stages';
import { capital } from '@brook/core/base/text';
import { useState, type ReactNode } from 'react';
import type { LiveRun } from '../../data/run';
import { ActionBar } from '../../ui/ActionBar';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { Page } from '../../ui/Page';
import { typedNumber } from '../../ui/typedNumber';
import { Words } from '../../ui/Words';

/** Sizes of a fitting are listed, or found on this vehicle; nobody guesses them. */
const OF_A_FITTING: readonly string[] = [THREAD, ...SIZE_FIELDS.fitting.map((f) => f.key)];

export interface SizeFoundProps {
  readonly run: LiveRun;
  readonly opening: PlanOpening | null;
  readonly band: ReactNode;
  readonly onClose: () => void;
}

/** A size as it is found at the vehicle: put down where it is found, it counts from here on and in the next job. */
export function SizeFound({ run, opening, band, onClose }: SizeFoundProps) {
  const { plan } = run.state;
  const [elementId, setElement] = useState<string | null>(null);
  const [size, setSize] = useState<string | null>(null);
  const [typed, setTyped] = useState('');
  const [how, setHow] = useState<HowKnown>('measured');
  const things = within(plan, opening);
  const at = things.find((f) => f.elementId === elementId) ?? null;
  const found =
    at && size
      ? {
          elementId: at.elementId,
          size,
          value: size === THREAD ? typed.trim() : typedNumber(typed),
          ...(OF_A_FITTING.includes(size) ? {} : { how }),
        }
      : null;
  const fault = found && typed.trim() !== '' ? sizeFault(plan.layout, found) : null;
  return (
    <Page
      band={band}
      action={
        <ActionBar
          label="Record it"
          waitsFor={
            !at
              ? 'Where is it?'
              : !found
                ? 'Which size?'
                : typed.trim() === ''
                  ? 'How much is it?'
                  : fault
          }
          onPress={() => {
            if (found) run.say({ kind: 'size found', ...found });
            onClose();
          }}
          side={{ label: 'Back', onPress: onClose }}
        />
      }
    >
      <Words size="head" heading={1}>
        {`Another size${opening ? `, ${bleederName(opening.bleeder)}` : ''}`}
      </Words>
      <Words tone="softWords">
        What you measure or read here counts more than what was listed, now and in the next job.
      </Words>
      <Choice
        question="Where is it?"
        stacked
        options={things.map((f) => ({ value: f.elementId, label: f.name }))}
        chosen={elementId}
        onChoose={(id) => {
          setElement(id);
          setSize(null);
          setTyped('');
        }}
        settled
      />
      {at ? (
        <Choice
          question="Which size?"
          stacked
          options={sizesAt(plan, at)}
          chosen={size}
          onChoose={(s) => {
            setSize(s);
            setTyped('');
          }}
        />
      ) : null}
      {at && size ? (
        <Field
          label={size === THREAD ? 'Thread, as it is read' : 'As found'}
          value={typed}
          onChange={setTyped}
          unit={at.fields.find((f) => f.key === size)?.range.unit}
          inputMode={size === THREAD ? 'text' : 'decimal'}
          maxLength={40}
          fault={fault}
        />
      ) : null}
      {at && size && !OF_A_FITTING.includes(size) ? (
        <Choice
          compact
          question="How is it known?"
          options={WAYS_KNOWN.map((value) => ({ value, label: capital(value) }))}
          chosen={how}
          onChoose={setHow}
        />
      ) : null}
    </Page>
  );
}

/** What can have another size: on the way to the bleeder in hand, else on every way of the plan. */
function within(plan: Plan, opening: PlanOpening | null): Findable[] {
  const openings = opening ? [opening] : plan.openings;
  const ids = new Set(openings.flatMap((s) => [s.bleeder.id, ...wayTo(plan.layout, s.bleeder.id)]));
  return findables(plan.layout).filter((f) => ids.has(f.elementId));
}

function sizesAt({ layout }: Plan, { elementId, fields, screwed, has, known }: Findable) {
  const now = (size: string) => {
    const value = has[size] ?? null;
    if (value === null) return 'not known';
    const how = OF_A_FITTING.includes(size) ? '' : `, ${known[size] ?? 'a guess'}`;
    return `now ${sizeValue(layout, { elementId, size, value })}${how}`;
  };
  return [
    ...fields.map((f) => ({ value: f.key, label: capital(f.range.what), about: now(f.key) })),
    ...(screwed ? [{ value: THREAD, label: 'Thread', about: now(THREAD) }] : []),
  ];
}
