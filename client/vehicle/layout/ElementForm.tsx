import {
  ABS_KINDS,
  addBleeder,
  addReservoir,
  addChamber,
  addEnd,
  CONTROLS,
  endsFor,
  INSERTS,
  insertInto,
  isActuator,
  moveInto,
  PLACES,
  rangeFault,
  removeElement,
  SEATS,
  setFeed,
  setOption,
  setSize,
  setThread,
  SIZE_FIELDS,
  sizesOf,
  VALVE_KINDS,
  WAYS_KNOWN,
  WHICH,
  withKnown,
  type Edited,
  type HowKnown,
  type Layout,
  type SizeField,
  type SizedKind,
  CONTROL_TRAITS,
  hasServo,
} from '@brook/core/vehicle/circuit';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/Button';
import { capital } from '@brook/core/base/text';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { More } from '../../ui/More';
import { typedNumber } from '../../ui/typedNumber';
import { colour, SPACE } from '../../ui/theme';
import { guessable, type OutlineRow } from './outline';

const YES_NO = [
  { value: 'yes', label: 'Yes' },
  { value: 'no', label: 'No' },
] as const;

export interface ElementFormProps {
  readonly layout: Layout;
  readonly row: OutlineRow;
  /** How what is put in now is known; null for a guess. */
  readonly how: HowKnown | null;
  readonly onHow: (how: HowKnown | null) => void;
  readonly change: (layout: Layout) => void;
  /** After a change that made another element the one to look at. */
  readonly made: (edited: Edited) => void;
}

/** Everything that can be changed about one element: sizes, what it is, what hangs on it. */
export function ElementForm({ layout, row, how, onHow, change, made }: ElementFormProps) {
  const guesses = guessable(row).filter((size) => row.known[size] !== (how ?? undefined));
  return (
    <View style={styles.form}>
      {row.what === 'bleeder' ? null : (
        <NameInput
          key={`${row.id}-${row.title}`}
          name={row.title}
          onName={(name) => change(setOption(layout, row.id, { name }))}
        />
      )}
      <Options layout={layout} row={row} change={change} />
      {guessable(row).length > 0 ? (
        <Choice
          compact
          question="What you put in here is"
          options={[
            { value: 'a guess', label: 'A guess' },
            ...WAYS_KNOWN.map((value) => ({ value, label: capital(value) })),
          ]}
          chosen={how ?? 'a guess'}
          onChoose={(v) => onHow(v === 'a guess' ? null : v)}
        />
      ) : null}
      {row.sizes.flatMap(({ kind, holder }) =>
        (SIZE_FIELDS[kind] as readonly SizeField[]).map((field) => {
          const value = (holder as Record<string, number | null>)[field.key] ?? null;
          return (
            <SizeInput
              key={`${kind}-${field.key}-${value}`}
              known={row.known[field.key] ?? null}
              field={field}
              kind={kind}
              value={value}
              onValue={(v) => change(setSize(layout, { kind, element: row.id }, field.key, v, how))}
            />
          );
        }),
      )}
      {how && guesses.length > 0 ? (
        <Button
          label={`All its sizes are so: ${how}`}
          onPress={() => change(withKnown(layout, row.id, guesses, how))}
        />
      ) : null}
      {row.what === 'bleeder' || row.what === 'stretch' ? (
        <ThreadInput
          key={`thread-${threadOf(layout, row.id)}`}
          thread={threadOf(layout, row.id)}
          onThread={(thread) => change(setThread(layout, row.id, thread))}
        />
      ) : null}
      <Structure layout={layout} row={row} change={change} made={made} />
    </View>
  );
}

function NameInput({
  name,
  onName,
}: {
  readonly name: string;
  readonly onName: (name: string) => void;
}) {
  const [text, setText] = useState(name);
  return (
    <Field
      label="Name"
      value={text}
      onChange={setText}
      maxLength={80}
      fault={text.trim() === '' ? 'Give it a name.' : null}
      onBlur={() => text.trim() !== '' && text.trim() !== name && onName(text.trim())}
    />
  );
}

/** A size as it is typed; it counts when the field is left, and is checked as it is typed. */
function SizeInput({
  field,
  kind,
  value,
  known,
  onValue,
}: {
  readonly field: SizeField;
  readonly kind: SizedKind;
  readonly value: number | null;
  readonly known: HowKnown | null;
  readonly onValue: (value: number | null) => void;
}) {
  const [text, setText] = useState(value === null ? '' : String(value));
  const empty = text.trim() === '';
  const typed = typedNumber(text);
  const fault = empty && field.optional ? null : rangeFault(field.range, typed);
  const leave = () => {
    if (empty && field.optional) return value === null ? undefined : onValue(null);
    if (Number.isFinite(typed) && typed !== value) onValue(typed);
  };
  const label = `${capital(field.range.what)}${kind === 'fitting' ? ', as found' : ''}`;
  return (
    <Field
      label={label}
      why={kind === 'fitting' || value === null ? undefined : (known ?? 'a guess')}
      unit={field.range.unit || undefined}
      inputMode="decimal"
      value={text}
      onChange={setText}
      onBlur={leave}
      fault={fault ? `${capital(fault)}.` : null}
    />
  );
}

function threadOf(layout: Layout, id: string): string {
  const fitting =
    layout.bleeders.find((b) => b.id === id)?.fitting ??
    layout.stretches.find((s) => s.id === id)?.nut ??
    null;
  return (fitting && sizesOf(fitting).thread) ?? '';
}

/** The thread as read off; a new part is compared with it. */
function ThreadInput({
  thread,
  onThread,
}: {
  readonly thread: string;
  readonly onThread: (thread: string | null) => void;
}) {
  const [text, setText] = useState(thread);
  return (
    <Field
      label="Thread, as found"
      value={text}
      onChange={setText}
      maxLength={40}
      onBlur={() => text.trim() !== thread && onThread(text.trim() === '' ? null : text.trim())}
    />
  );
}

const words = <T extends string>(list: readonly T[]) =>
  list.map((value) => ({ value, label: capital(value) }));

function Options({ layout, row, change }: Pick<ElementFormProps, 'layout' | 'row' | 'change'>) {
  const put = (more: Readonly<Record<string, string | boolean | null>>) =>
    change(setOption(layout, row.id, more));
  const node = layout.nodes.find((n) => n.id === row.id);
  const bleeder = layout.bleeders.find((b) => b.id === row.id);
  const master = layout.masters.find((m) => m.id === row.id);
  const stretch = layout.stretches.find((s) => s.id === row.id);
  const reservoir = layout.reservoirs.find((b) => b.id === row.id);
  const chamber = layout.masters.flatMap((m) => m.chambers).find((c) => c.id === row.id);
  const yesNo = (question: string, key: string, value: boolean) => (
    <Choice
      key={key}
      compact
      question={question}
      options={YES_NO}
      chosen={value ? 'yes' : 'no'}
      onChoose={(v) => put({ [key]: v === 'yes' })}
    />
  );
  return (
    <>
      {reservoir ? (
        <Choice
          compact
          question="A screen or baffles in it?"
          options={YES_NO}
          chosen={reservoir.screen === undefined ? null : reservoir.screen ? 'yes' : 'no'}
          onChoose={(v) => put({ screen: v === 'yes' })}
        />
      ) : null}
      {stretch ? (
        <Choice
          compact
          question="What is it?"
          options={words(['line', 'hose'] as const)}
          chosen={stretch.kind}
          onChoose={(kind) => put({ kind })}
        />
      ) : null}
      {node?.kind === 'valve' ? (
        <Choice
          compact
          question="Which valve?"
          stacked
          options={words(VALVE_KINDS)}
          chosen={node.valve}
          onChoose={(valve) => put({ valve })}
        />
      ) : null}
      {node?.kind === 'valve' && node.valve === 'differential' ? (
        <Choice
          compact
          question="Which end does this half feed?"
          options={words(['front', 'rear'] as const)}
          chosen={node.end}
          onChoose={(end) => put({ end })}
        />
      ) : null}
      {node?.kind === 'valve' && node.valve === 'differential'
        ? yesNo('A button that pushes the piston back here?', 'button', node.button)
        : null}
      {node?.kind === 'slave'
        ? [
            yesNo('Inside the gearbox?', 'inGearbox', node.inGearbox),
            yesNo('Can its piston be held without touching the bore?', 'holdable', node.holdable),
          ]
        : null}
      {node?.kind === 'modulator' ? (
        <Choice
          compact
          question="Which kind of ABS?"
          stacked
          options={words(ABS_KINDS.filter((k) => k !== 'none'))}
          chosen={layout.abs === 'none' ? null : layout.abs}
          onChoose={(abs) => change({ ...layout, abs })}
        />
      ) : null}
      {master ? (
        <Choice
          compact
          question="What works it?"
          stacked
          options={words(CONTROLS)}
          chosen={master.control}
          onChoose={(control) => put({ control, system: CONTROL_TRAITS[control].system })}
        />
      ) : null}
      {chamber && layout.reservoirs.length > 1 ? (
        <Choice
          compact
          question="Which reservoir feeds it?"
          why="Trace the line; never by size or place."
          stacked
          options={layout.reservoirs.map((b) => ({ value: b.id, label: b.name }))}
          chosen={chamber.fedBy}
          onChoose={(reservoirId) => change(setFeed(layout, chamber.id, reservoirId))}
        />
      ) : null}
      {master ? (
        <Choice
          compact
          question="How does it lie?"
          options={words(['level', 'nose up', 'nose down'] as const)}
          chosen={master.attitude}
          onChoose={(attitude) => put({ attitude })}
        />
      ) : null}
      {master?.control === 'brake pedal'
        ? yesNo('A servo at its pedal?', 'servo', hasServo(master, layout.vehicleKind))
        : null}
      {bleeder ? (
        <>
          <Choice
            compact
            question="Where is it?"
            stacked
            options={words(PLACES)}
            chosen={bleeder.place}
            onChoose={(place) => put({ place })}
          />
          <Choice
            compact
            question="Which of several on one part?"
            stacked
            options={[{ value: 'only', label: 'The only one' }, ...words(WHICH)]}
            chosen={bleeder.which ?? 'only'}
            onChoose={(which) => put({ which: which === 'only' ? null : which })}
          />
          <Choice
            compact
            question="Kind"
            options={words(['screw', 'quarter turn'] as const)}
            chosen={bleeder.type}
            onChoose={(type) => put({ type })}
          />
          {yesNo('At the top of its part?', 'atTop', bleeder.atTop)}
          <Choice
            compact
            question="Does it turn?"
            options={words(SEATS)}
            chosen={bleeder.seat}
            onChoose={(seat) => put({ seat })}
          />
        </>
      ) : null}
    </>
  );
}

const INSERT_WORDS = {
  joint: 'A hump, bend or joint',
  tee: 'A tee',
  valve: 'A valve',
  modulator: 'An ABS modulator',
} as const;

/** What can be put in, hung on or taken out here. */
function Structure({
  layout,
  row,
  change,
  made,
}: Pick<ElementFormProps, 'layout' | 'row' | 'change' | 'made'>) {
  const node = layout.nodes.find((n) => n.id === row.id);
  const movable =
    node &&
    ['modulator', 'valve', 'joint'].includes(node.kind) &&
    layout.stretches.filter((s) => s.from === node.id).length === 1;
  const owner = layout.masters.find((m) => m.chambers.some((c) => c.id === row.id));
  const sharesReservoir =
    owner &&
    layout.masters
      .flatMap((m) => m.chambers)
      .filter((c) => c.fedBy === owner.chambers.find((x) => x.id === row.id)!.fedBy).length > 1;
  const mayGo =
    !(owner && owner.chambers.length === 1) &&
    row.what !== 'reservoir' &&
    node?.kind !== 'port' &&
    !(row.what === 'master' && layout.masters.length === 1);
  return (
    <>
      {row.what === 'stretch' ? (
        <More
          title="Put something into this line"
          about="It is cut in the middle; set the lengths afterwards"
        >
          {INSERTS.map((kind) => (
            <Button
              key={kind}
              label={INSERT_WORDS[kind]}
              onPress={() => made(insertInto(layout, row.id, kind))}
            />
          ))}
        </More>
      ) : null}
      {node ? (
        <More title="Hang something on this point" about="A line to a new part, or a bleeder">
          {isActuator(node)
            ? null
            : endsFor(layout, row.id).map((kind) => (
                <Button
                  key={kind}
                  label={`A line to a ${kind}`}
                  onPress={() => made(addEnd(layout, row.id, kind))}
                />
              ))}
          <Button label="A bleeder here" onPress={() => made(addBleeder(layout, row.id))} />
        </More>
      ) : null}
      {row.what === 'master' ? (
        <Button
          label="Add a chamber with its own circuit"
          onPress={() => made(addChamber(layout, row.id))}
        />
      ) : null}
      {sharesReservoir ? (
        <Button
          label="Give it a reservoir chamber of its own"
          onPress={() => made(addReservoir(layout, row.id))}
        />
      ) : null}
      {movable ? (
        <More title="Move it into another line">
          {layout.stretches
            .filter((s) => s.from !== node.id && s.to !== node.id)
            .map((s) => (
              <Button
                key={s.id}
                label={s.name}
                onPress={() => made(moveInto(layout, node.id, s.id))}
              />
            ))}
        </More>
      ) : null}
      {mayGo ? (
        <Button
          label="Take it out"
          spoken={`Take ${row.title} out`}
          onPress={() => change(removeElement(layout, row.id))}
        />
      ) : null}
    </>
  );
}

const styles = StyleSheet.create({
  form: {
    gap: SPACE.medium,
    paddingVertical: SPACE.medium,
    paddingLeft: SPACE.medium,
    borderLeftWidth: 3,
    borderLeftColor: colour.edge,
  },
});
