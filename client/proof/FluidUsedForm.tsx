import type { Job } from '@brook/contract';
import type { BalanceGap } from '@brook/core/shelf';
import { useState } from 'react';
import { View } from 'react-native';
import { useShelf } from '../data/shelf';
import { ApiProblem } from '../data/api';
import { Choice } from '../ui/Choice';
import { lowerFirst } from '@brook/core/text';
import { Field } from '../ui/Field';
import { FigureRow } from '../ui/FigureValue';
import { More } from '../ui/More';
import { Caution } from '../ui/Notice';
import { Words } from '../ui/Words';
import { SPACE } from '../ui/theme';
import { typedNumber } from '../ui/typedNumber';
import { balanceOf, usedFaults, usedOf, type UsedDraft } from './usedDraft';

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
  const change = (index: number, part: Partial<UsedDraft['containers'][number]>) =>
    onChange({ containers: draft.containers.map((c, i) => (i === index ? { ...c, ...part } : c)) });
  const summary = draft.containers
    .filter((c) => typedNumber(c.poured) > 0)
    .map((c) => `${c.poured} mL of ${lowerFirst(c.label.split(',')[0]!)}`)
    .join(', ');
  const discards = draft.containers.some((c) => typedNumber(c.discarded) > 0);
  return (
    <View style={{ gap: SPACE.small }}>
      <Words strong heading={2}>
        Fluid that was moved
      </Words>
      <Words>{`Poured: ${summary || 'nothing'}. Bled: ${draft.bled} mL. Removed: ${draft.removed} mL.`}</Words>
      <Words size="small" tone="softWords">
        {job.fluidUsed
          ? `Put down by ${job.fluidUsed.by}.`
          : 'By the count of the run, until somebody measures. Put it right where you know better.'}
      </Words>
      <More
        title="Put it right"
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
          </View>
        ))}
        <OtherContainer draft={draft} job={job} onChange={onChange} />
        <Field
          label="Bled, out at the bleeders"
          value={draft.bled}
          onChange={(bled) => onChange({ bled, measured: true })}
          unit="mL"
          inputMode="decimal"
          fault={faults.bledMl}
        />
        <Field
          label="Removed, off the reservoir"
          value={draft.removed}
          onChange={(removed) => onChange({ removed })}
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
          balance.changeOfContentMl.value < 0
            ? 'Less inside than before'
            : 'More inside than before'
        }
      />
      <FigureRow figure={balance.leftMl} />
      <FigureRow figure={balance.wasteMl} label="Into the waste drum" />
    </View>
  );
}

/** What the fluid used waits for where it does not agree with the run. */
export function gapWaits(gap: BalanceGap | null, draft: UsedDraft): string | null {
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
              poured: '0',
              discarded: '0',
            },
          ],
        });
        setAsking(false);
      }}
    />
  );
}
