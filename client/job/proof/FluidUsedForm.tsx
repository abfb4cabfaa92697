import type { Job } from '@brook/contract';
import type { BalanceGap } from '@brook/core/fluid/shelf';
import { useState } from 'react';
import { View } from 'react-native';
import { useShelf } from '../../data/shelf';
import { ApiProblem } from '../../data/api';
import { Choice } from '../../ui/Choice';
import { Choices } from '../../ui/Choices';
import { lowerFirst } from '@brook/core/base/text';
import { Field } from '../../ui/Field';
import { FigureRow } from '../../ui/FigureValue';
import { More } from '../../ui/More';
import { Caution } from '../../ui/Notice';
import { SPACE } from '../../ui/theme';
import { typedNumber } from '../../ui/typedNumber';
import {
  balanceOf,
  isOverdrawn,
  JAR,
  toConfirm,
  usedFaults,
  usedOf,
  type UsedDraft,
} from './usedDraft';

export interface FluidUsedFormProps {
  readonly job: Job;
  readonly draft: UsedDraft;
  readonly onChange: (part: Partial<UsedDraft>) => void;
  /** What the server refused. */
  readonly error: Error | null;
  /** How far it is from what the run came to; null while it cannot be told. */
  readonly gap: BalanceGap | null;
}

/** What was poured out of which container, bled, removed and spilled: proposed by the count, put right by who measured. */
export function FluidUsedForm({ job, draft, onChange, error, gap }: FluidUsedFormProps) {
  const faults: Readonly<Record<string, string>> = {
    ...usedFaults(draft),
    ...(error instanceof ApiProblem
      ? Object.fromEntries(error.faults.map((f) => [f.field, f.sentence]))
      : {}),
  };
  const used = usedOf(draft);
  const said = (id: string): Pick<UsedDraft, 'confirmed'> => ({
    confirmed: [...new Set([...draft.confirmed, id])],
  });
  // What was typed by who looked is confirmed by that.
  const change = (index: number, part: Partial<UsedDraft['containers'][number]>) =>
    onChange({
      containers: draft.containers.map((c, i) => (i === index ? { ...c, ...part } : c)),
      ...said(draft.containers[index]!.containerId),
    });
  const discards = draft.containers.some((c) => typedNumber(c.discarded) > 0);
  return (
    <View style={{ gap: SPACE.small }}>
      <Choices
        question="Fluid used"
        why={
          job.fluidUsed
            ? `Recorded by ${job.fluidUsed.by}.`
            : 'Look at each container and at the jar, then tap what is right.'
        }
        options={toConfirm(draft).map(({ id, label, about }) => ({ value: id, label, about }))}
        chosen={draft.confirmed}
        onChoose={(confirmed) => onChange({ confirmed })}
        all
      />
      <More
        title="Correct it"
        about="By container; bled, removed, spilled, discarded"
        open={Object.keys(faults).length > 0}
      >
        {draft.containers.map((c, i) => (
          <View key={c.containerId} style={{ gap: SPACE.small }}>
            <Field
              label={`Poured, ${lowerFirst(c.label)}`}
              value={c.poured}
              onChange={(poured) => change(i, { poured })}
              unit="mL"
              inputMode="decimal"
              fault={faults[`containers.${i}.pouredMl`] ?? faults[`containers.${i}.containerId`]}
            />
            <Field
              label={`Discarded, ${lowerFirst(c.label)}`}
              why="Lost beside the vehicle."
              value={c.discarded}
              onChange={(discarded) => change(i, { discarded })}
              unit="mL"
              inputMode="decimal"
              fault={faults[`containers.${i}.discardedMl`]}
            />
            {isOverdrawn(c) ? (
              <Field
                label={`Left in it, ${lowerFirst(c.label)}`}
                value={c.counted}
                onChange={(counted) => change(i, { counted })}
                unit="mL"
                inputMode="decimal"
                fault={faults[`containers.${i}.countedLeftMl`]}
              />
            ) : null}
          </View>
        ))}
        <OtherContainer draft={draft} job={job} onChange={onChange} />
        <Field
          label="Bled, out at the bleeders"
          value={draft.bled}
          onChange={(bled) => onChange({ bled, measured: true, ...said(JAR) })}
          unit="mL"
          inputMode="decimal"
          fault={faults.bledMl}
        />
        <Field
          label="Removed, off the reservoir"
          value={draft.removed}
          onChange={(removed) => onChange({ removed, ...said(JAR) })}
          unit="mL"
          inputMode="decimal"
          fault={faults.removedMl}
        />
        <Field
          label="Spilled, lost from the vehicle"
          value={draft.spilled}
          onChange={(spilled) => onChange({ spilled })}
          unit="mL"
          inputMode="decimal"
          fault={faults.spilledMl}
        />
        {discards ? (
          <Choice
            question="Was the discarded fluid caught?"
            why="What was caught goes into the waste drum."
            options={[
              { value: 'yes', label: 'Yes' },
              { value: 'no', label: 'No' },
            ]}
            chosen={draft.caught ? 'yes' : 'no'}
            onChoose={(a) => onChange({ caught: a === 'yes' })}
          />
        ) : null}
      </More>
      {used ? (
        <Balance
          used={used}
          heldMl={(id) => draft.containers.find((c) => c.containerId === id)?.heldMl ?? 0}
        />
      ) : null}
      {gap?.beyond ? <GapQuestion gap={gap} draft={draft} onChange={onChange} /> : null}
      {error && !(error instanceof ApiProblem && error.faults.length > 0) ? (
        <Caution title={error.message} />
      ) : null}
    </View>
  );
}

function Balance({
  used,
  heldMl,
}: {
  readonly used: NonNullable<ReturnType<typeof usedOf>>;
  readonly heldMl: (id: string) => number;
}) {
  const balance = balanceOf(used, heldMl);
  return (
    <View>
      <FigureRow
        figure={balance.changeOfContentMl}
        label={
          balance.changeOfContentMl.value < 0 ? 'Less inside than before' : 'Change in the system'
        }
      />
      <FigureRow figure={balance.leftMl} />
      <FigureRow figure={balance.wasteMl} label="Into the waste drum" />
    </View>
  );
}

/** What the fluid used waits for: a container or the jar that nobody has looked at, or a difference to the run. */
export function usedWaits(gap: BalanceGap | null, draft: UsedDraft): string | null {
  const open = toConfirm(draft).find((c) => !draft.confirmed.includes(c.id));
  if (open) return `Right? ${open.label}`;
  if (!gap?.beyond || (gap.gapMl.value > 0 && draft.gap === 'still inside')) return null;
  return 'Say what became of the difference';
}

/** One question where in and out do not agree: miscounted, lost, or still inside. */
function GapQuestion({
  gap,
  draft,
  onChange,
}: {
  readonly gap: BalanceGap;
  readonly draft: UsedDraft;
  readonly onChange: (part: Partial<UsedDraft>) => void;
}) {
  const ml = Math.round(Math.abs(gap.gapMl.value));
  if (gap.gapMl.value < 0)
    return (
      <Caution title={`${ml} mL more came out than can have been there`}>
        One of the amounts is miscounted. Put it right above.
      </Caution>
    );
  return (
    <View>
      <Choice
        question={`${ml} mL are not accounted for. What became of them?`}
        why="Miscounted? Put the amounts right above."
        options={[
          { value: 'lost', label: 'Lost, spilled' },
          { value: 'still inside', label: 'Still inside' },
        ]}
        chosen={draft.gap}
        onChoose={(said) =>
          said === 'still inside'
            ? onChange({ gap: 'still inside' })
            : onChange({ spilled: String(Math.round(typedNumber(draft.spilled) + ml)), gap: null })
        }
      />
      <FigureRow figure={gap.gapMl} />
      <FigureRow figure={gap.allowedMl} />
    </View>
  );
}

/** A container that was poured from and is not among those that were picked. */
function OtherContainer({
  draft,
  job,
  onChange,
}: {
  readonly draft: UsedDraft;
  readonly job: Job;
  readonly onChange: (part: Partial<UsedDraft>) => void;
}) {
  const [asking, setAsking] = useState(false);
  const shelf = useShelf();
  const fill = job.fluid?.fill;
  const others = (shelf.data?.containers ?? []).filter(
    (c) =>
      c.grade === fill?.grade &&
      c.isoClass === fill?.isoClass &&
      c.admit.verdict !== 'refuse' &&
      !draft.containers.some((d) => d.containerId === c.id),
  );
  if (others.length === 0) return null;
  if (!asking)
    return (
      <Choice
        question="Poured from another one too?"
        compact
        settled
        options={[{ value: 'yes', label: 'Yes: choose it' }]}
        chosen={null}
        onChoose={() => setAsking(true)}
      />
    );
  return (
    <Choice
      question="Which one?"
      stacked
      settled
      options={others.map((c) => ({
        value: c.id,
        label: `Batch ${c.batch}`,
        about: `${Math.round(c.leftMl)} of ${c.sizeMl} mL, ${c.state}`,
      }))}
      chosen={null}
      onChoose={(id) => {
        const c = others.find((o) => o.id === id)!;
        onChange({
          containers: [
            ...draft.containers,
            {
              containerId: id,
              label: `Batch ${c.batch}, ${c.sizeMl} mL`,
              heldMl: c.leftMl,
              sizeMl: c.sizeMl,
              poured: '0',
              discarded: '0',
              counted: '',
            },
          ],
        });
        setAsking(false);
      }}
    />
  );
}
