import type { Vehicle } from '@brook/contract';
import { bleederName, type Layout } from '@brook/core/vehicle/circuit';
import { GRADES, type Grade } from '@brook/core/fluid/verdict';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ApiProblem } from '../../data/api';
import { useMakerEntry } from '../../data/vehicles';
import { Conflicts } from '../../ui/forms/Conflicts';
import { broughtTo, sameData, withTheirs } from '../../ui/forms/threeWay';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Choices } from '../../ui/Choices';
import { capital } from '@brook/core/base/text';
import { Field } from '../../ui/Field';
import { More } from '../../ui/More';
import { Caution } from '../../ui/Notice';
import { SPACE } from '../../ui/theme';
import { useUnsaved } from '../../ui/unsaved';

const GRADE_OPTIONS = GRADES.map((g) => ({ value: g.grade, label: g.words }));

/** The maker's word as it is filled in. */
interface EntryDraft {
  readonly grades: readonly Grade[];
  readonly low: boolean;
  readonly months: string;
  readonly order: readonly string[];
}

const draftOf = ({ makerEntry: entry }: Vehicle): EntryDraft => ({
  grades: entry?.grades ?? [],
  low: entry?.lowViscosity ?? false,
  months: entry?.intervalMonths?.toString() ?? '',
  order: entry?.order ?? [],
});

const FIELD_LABELS: Readonly<Record<keyof EntryDraft, string>> = {
  grades: 'The maker asks for',
  low: 'And for low viscosity?',
  months: 'Interval',
  order: 'The maker’s order',
};

/** One field in words, empty where nothing is entered. */
function fieldWords(layout: Layout, key: keyof EntryDraft, draft: EntryDraft): string {
  switch (key) {
    case 'grades':
      return draft.grades.join(' or ');
    case 'low':
      return draft.low ? 'low viscosity' : '';
    case 'months':
      return draft.months && `every ${draft.months} months`;
    case 'order':
      return draft.order
        .flatMap((id) => layout.bleeders.filter((b) => b.id === id).map(bleederName))
        .join(' › ');
  }
}

/** What the vehicle's maker asks for, as looked up: it beats cap, forecast and house rule. */
export function MakerEntryForm({ vehicle }: { readonly vehicle: Vehicle }) {
  const stands = draftOf(vehicle);
  const [held, setHeld] = useState({ version: vehicle.version, base: stands, draft: stands });
  const changed = !sameData(held.draft, held.base);
  // Where nothing was changed here, what a colleague entered since is taken up as it is.
  const shown = changed ? held : { version: vehicle.version, base: stands, draft: stands };
  const { built, conflicts } = broughtTo(shown, vehicle.version, stands);
  const { grades, low, months, order } = shown.draft;
  const set = (part: Partial<EntryDraft>) =>
    setHeld({ ...shown, draft: { ...shown.draft, ...part } });
  useUnsaved(changed);
  const save = useMakerEntry({ id: vehicle.id, version: shown.version });
  const problem = save.error instanceof ApiProblem ? save.error : null;
  const inWords = (key: keyof EntryDraft, draft: EntryDraft) =>
    fieldWords(vehicle.layout, key, draft);
  const words = (Object.keys(FIELD_LABELS) as (keyof EntryDraft)[])
    .map((key) =>
      key === 'order' && stands.order.length > 0 ? 'its own order' : inWords(key, stands),
    )
    .filter(Boolean)
    .join(', ');
  return (
    <More
      title="The maker’s word"
      about={words || 'Nothing entered. It would beat cap, forecast and house rule.'}
    >
      {built.version === shown.version ? null : (
        <Conflicts
          conflicts={conflicts.map((key) => ({
            key,
            label: FIELD_LABELS[key],
            mine: inWords(key, shown.draft) || 'nothing entered',
            theirs: inWords(key, stands) || 'nothing entered',
          }))}
          onDecide={(keys) => {
            setHeld(withTheirs(built, keys));
            save.reset();
          }}
        />
      )}
      <Choices
        question={FIELD_LABELS.grades}
        why="From the service information of this very vehicle; nothing is guessed."
        options={GRADE_OPTIONS}
        chosen={grades}
        onChoose={(chosen) => set({ grades: chosen })}
        mayBeNone
      />
      <Choices
        question={FIELD_LABELS.low}
        options={[{ value: 'low', label: 'Yes: class 6 or 7' }]}
        chosen={low ? ['low'] : []}
        onChoose={(c) => set({ low: c.includes('low') })}
        mayBeNone
      />
      <Field
        label={FIELD_LABELS.months}
        why="Leave it empty where the maker gives none."
        value={months}
        onChange={(typed) => set({ months: typed })}
        unit="months"
        inputMode="numeric"
        fault={problem?.faultOf('intervalMonths')}
      />
      <MakerOrder
        layout={vehicle.layout}
        order={order}
        onOrder={(bleederIds) => set({ order: bleederIds })}
      />
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
            {
              onSuccess: (saved) => {
                const now = draftOf(saved);
                setHeld({ version: saved.version, base: now, draft: now });
              },
            },
          )
        }
      />
    </More>
  );
}

/** The maker’s order of bleeders: tapped in that order, taken back by another tap; a second pass is put behind it. */
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
  const once = [...new Set(known)];
  return (
    <View style={styles.order}>
      <Choices
        question={FIELD_LABELS.order}
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
        chosen={once}
        onChoose={(chosen) =>
          onOrder([
            ...known.filter((id) => chosen.includes(id)),
            ...chosen.filter((id) => !known.includes(id)),
          ])
        }
      />
      {layout.bleeders.length > 1 && once.length === layout.bleeders.length ? (
        <Choice
          question="Is one opened once more?"
          settled
          stacked
          options={layout.bleeders
            .filter((b) => b.id !== known.at(-1))
            .map((b) => ({ value: b.id, label: `Then ${bleederName(b)} again` }))}
          chosen={null}
          onChoose={(id) => onOrder([...known, id])}
        />
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({ order: { gap: SPACE.medium } });
