import { inRange, rangeWords } from '@brook/core/base/units';
import { stageWords, type PartCompared, type PlanStage } from '@brook/core/bleed/stages';
import type { LiveRun } from '../../data/run';
import {
  BESIDE,
  PIECE_COUNT,
  compareNeed,
  measuredBy,
  partFaults,
  partNeeds,
  PIECE_STATE_WORDS,
  usualPieces,
  type Found,
  type PartNeed,
  type Piece,
  type PieceState,
} from '@brook/core/vehicle/part';

import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ActionBar } from '../../ui/ActionBar';
import { Button } from '../../ui/Button';
import { capital, lowerFirst } from '@brook/core/base/text';
import { Choice } from '../../ui/Choice';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { FigureValue } from '../../ui/FigureValue';
import { More } from '../../ui/More';
import { Caution } from '../../ui/Notice';
import { Words } from '../../ui/Words';
import { SPACE } from '../../ui/theme';
import { typedNumber } from '../../ui/typedNumber';
import { StageFrame, undoOf, type StageProps } from './StageFrame';

export interface PartStageProps extends StageProps {
  readonly stage: Extract<PlanStage, { kind: 'right part' }>;
}

/** A new part beside what the vehicle needs, then its pieces counted, before anything is filled. Nothing is taken as compared that nobody compared. */
export function PartStage({ stage, ...rest }: PartStageProps) {
  const { plan } = rest;
  const needs = partNeeds(plan.layout, stage.partId);
  // What was compared before stands there again: only what changed is answered anew.
  const before = lastCompared(rest.run, stage.id);
  const [typed, setTyped] = useState<Readonly<Record<string, Typed>>>(() => ({
    ...alreadyKnown(needs),
    ...typedOf(before?.found ?? {}),
  }));
  const usual = usualPieces(plan.layout, stage.partId);
  const [others, setOthers] = useState<readonly Piece[]>(
    () => before?.pieces.filter((p) => !usual.some((u) => u.what === p.what)) ?? [],
  );
  const [without, setWithout] = useState<readonly string[]>(() =>
    before ? usual.map((u) => u.what).filter((w) => !before.pieces.some((p) => p.what === w)) : [],
  );
  const pieces = [...usual.filter((p) => !without.includes(p.what)), ...others];
  const [states, setStates] = useState<Readonly<Record<string, PieceState>>>(() =>
    Object.fromEntries(before?.pieces.map((p) => [p.what, p.state]) ?? []),
  );
  const found = Object.fromEntries(
    needs.flatMap((n) => {
      const of = foundOf(n, typed);
      return of === undefined ? [] : [[n.id, of] as const];
    }),
  );
  const open = needs.find((n) => compareNeed(n, found[n.id]) === 'not compared');
  const uncounted = pieces.find((p) => states[p.what] === undefined);
  const counted = pieces.flatMap((p) =>
    states[p.what] === undefined ? [] : [{ ...p, state: states[p.what]! }],
  );
  const faults = open || uncounted ? [] : partFaults(needs, found, counted);
  return (
    <StageFrame
      {...rest}
      stage={stage}
      action={
        <ActionBar
          label={faults.length > 0 ? 'It does not fit: record it' : 'It fits: record it'}
          waitsFor={
            open
              ? `Compare: ${lowerFirst(open.label)}`
              : uncounted
                ? `Count: ${lowerFirst(uncounted.what)}`
                : null
          }
          onPress={() =>
            rest.run.say({ kind: 'part compared', stageId: stage.id, found, pieces: counted })
          }
          side={undoOf(rest.run)}
        />
      }
    >
      <Caution title={stageWords(plan, stage).why}>
        Start every thread by hand: slight resistance, no force.
      </Caution>
      <Words strong heading={3}>
        On the new part
      </Words>
      {needs.map((need) => (
        <Need
          key={need.id}
          need={need}
          typed={typed}
          found={found[need.id]}
          onChange={(id, value) => setTyped({ ...typed, [id]: value })}
        />
      ))}
      <Words strong heading={3}>
        Pieces, counted
      </Words>
      {pieces.map((p) => (
        <Counted
          key={p.what}
          piece={p}
          state={states[p.what] ?? null}
          onState={(state) => setStates({ ...states, [p.what]: state })}
        />
      ))}
      <OtherPieces
        usual={usual}
        without={without}
        onWithout={setWithout}
        onAdd={(p) => setOthers([...others.filter((x) => x.what !== p.what), p])}
      />
    </StageFrame>
  );
}

/** The last comparison of this stage, right or wrong. */
const lastCompared = (run: LiveRun, stageId: string): PartCompared | null =>
  (run.state.stages[stageId]?.said ?? [])
    .flatMap((e) => (e.kind === 'part compared' ? [e] : []))
    .at(-1) ?? null;

/** What was found, as it is typed: a number under its need, beside it the old part's and the maker's. */
const typedOf = (found: Readonly<Record<string, Found>>): Record<string, Typed> =>
  Object.fromEntries(
    Object.entries(found).flatMap(([id, v]): [string, Typed][] => {
      if (typeof v !== 'object') return [[id, typeof v === 'number' ? String(v) : v]];
      const shown = (n: number | null) => (n === null ? '' : String(n));
      return [
        [id, shown(v.newPart)],
        [oldOf(id), shown(v.oldPart)],
        [makerOf(id), shown(v.maker)],
      ];
    }),
  );

/** What somebody measured or looked up on this vehicle before stands where it belongs, to be confirmed by the new part. */
const alreadyKnown = (needs: readonly PartNeed[]): Record<string, Typed> =>
  Object.fromEntries(
    needs.flatMap((n) =>
      n.kind === 'number' && n.known
        ? [[(n.known === 'measured' ? oldOf : makerOf)(n.id), trimmed(n.guess.value)]]
        : [],
    ),
  );

type Typed = string | boolean;
const oldOf = (id: string): string => `${id}/old`;
const makerOf = (id: string): string => `${id}/maker`;

function foundOf(need: PartNeed, typed: Readonly<Record<string, Typed>>): Found | undefined {
  const value = typed[need.id];
  if (need.kind !== 'number' || value === undefined) return value;
  const number = (id: string): number | null => {
    const n = typedNumber(String(typed[id] ?? ''));
    return Number.isFinite(n) ? n : null;
  };
  return {
    newPart: number(need.id) ?? NaN,
    oldPart: number(oldOf(need.id)),
    maker: number(makerOf(need.id)),
  };
}

interface NeedProps<N extends PartNeed = PartNeed> {
  readonly need: N;
  readonly typed: Readonly<Record<string, Typed>>;
  readonly found: Found | undefined;
  readonly onChange: (id: string, value: Typed) => void;
}

const NOT_FITTED = 'This one must not be fitted.';

/** One thing in which the new part must be right. */
function Need({ need, typed, found, onChange }: NeedProps) {
  const value = typed[need.id];
  const differs = compareNeed(need, found) === 'differs';
  switch (need.kind) {
    case 'number':
      return <Measure need={need} typed={typed} found={found} onChange={onChange} />;
    case 'question':
      return (
        <Choice
          question={need.label}
          why={need.why}
          options={[
            { value: 'yes', label: 'Yes' },
            { value: 'no', label: 'No' },
          ]}
          chosen={value === undefined ? null : value === true ? 'yes' : 'no'}
          onChoose={(a) => onChange(need.id, a === 'yes')}
          fault={differs ? NOT_FITTED : null}
        />
      );
    case 'as the old one':
      return (
        <Choice
          question={need.label}
          why={need.why}
          stacked
          options={[
            { value: 'by the maker', label: 'By the maker’s figure' },
            { value: 'as the old one', label: 'As the old one, which worked' },
            { value: 'not so', label: 'Neither' },
          ]}
          chosen={BESIDE.find((b) => b === value) ?? null}
          onChoose={(a) => onChange(need.id, a)}
          fault={differs ? NOT_FITTED : null}
        />
      );
    case 'thread':
      return (
        <Field
          label={`${need.label}: ${need.needed} needed`}
          value={typeof value === 'string' ? value : ''}
          onChange={(text) => onChange(need.id, text)}
          fault={differs ? `${need.needed} is needed. ${NOT_FITTED}` : null}
        />
      );
  }
}

/** A number on the new part, on the old one and by the maker: his decides, else the old one's. What the layout guesses is only a hint. */
function Measure({
  need,
  typed,
  found,
  onChange,
}: NeedProps<Extract<PartNeed, { kind: 'number' }>>) {
  const so = compareNeed(need, found);
  const unit = need.unit === 'mm' ? ' mm' : '';
  const maker = typeof found === 'object' ? found.maker : null;
  const columns = [
    ['New', need.id, 'new part'],
    ['Old one', oldOf(need.id), 'old part'],
    ['Maker’s', makerOf(need.id), 'by the maker'],
  ] as const;
  return (
    <View style={{ gap: SPACE.hair }}>
      <View style={styles.head}>
        <Words strong>{`${need.label}${unit ? ',' : ''}${unit}`}</Words>
        <View style={styles.guess}>
          <Words size="small" tone="softWords">
            {need.known ?? 'a guess'}
          </Words>
          <FigureValue figure={need.guess} text={trimmed(need.guess.value)} />
        </View>
      </View>
      <View style={styles.columns}>
        {columns.map(([label, id, spoken]) => (
          <View key={id} style={styles.column}>
            <Field
              label={label}
              spoken={`${need.label}, ${spoken}`}
              value={String(typed[id] ?? '')}
              onChange={(text) => onChange(id, text)}
              inputMode="decimal"
            />
          </View>
        ))}
      </View>
      {so === 'differs' ? (
        <Words size="small" strong tone="stop" accessibilityLiveRegion="polite">
          {`${maker === null ? 'The old one differs' : 'The maker says otherwise'}. ${NOT_FITTED}`}
        </Words>
      ) : so === 'fits' ? (
        <Words size="small">{measuredBy([need], { [need.id]: found! }).join(' ')}</Words>
      ) : (
        <Words size="small" tone="softWords">
          Measure the old one too, or look up the maker’s figure.
        </Words>
      )}
    </View>
  );
}

const trimmed = (value: number): string => String(Math.round(value * 100) / 100);

/** One kind of piece: fitted as counted, or what is wrong with the count. */
function Counted({
  piece,
  state,
  onState,
}: {
  readonly piece: Piece;
  readonly state: PieceState | null;
  readonly onState: (state: PieceState) => void;
}) {
  const across = piece.comes === 'moves across';
  const options: { value: PieceState; label: string }[] = [
    { value: 'right', label: across ? 'Moved across' : 'Fitted, old off' },
    { value: 'missing', label: across ? 'Left behind' : 'Missing' },
    { value: 'left over', label: 'Left over' },
    ...(across ? [] : [{ value: 'old one still there' as const, label: 'Old one still on' }]),
  ];
  return (
    <Choice
      question={`${piece.count} × ${lowerFirst(piece.what)}, ${piece.comes}`}
      compact
      options={options}
      chosen={state}
      onChoose={onState}
      fault={state && state !== 'right' ? `${capital(PIECE_STATE_WORDS[state])}.` : null}
    />
  );
}

interface OtherPiecesProps {
  readonly usual: readonly Piece[];
  readonly without: readonly string[];
  readonly onWithout: (whats: readonly string[]) => void;
  readonly onAdd: (piece: Piece) => void;
}

/** What lies in the box and on the old part wins over the usual list: pieces that this part has more, and those that it has not. */
function OtherPieces({ usual, without, onWithout, onAdd }: OtherPiecesProps) {
  const [what, setWhat] = useState('');
  const [count, setCount] = useState('');
  const [comes, setComes] = useState<Piece['comes'] | null>(null);
  const n = typedNumber(count);
  const ready = what.trim().length > 0 && inRange(PIECE_COUNT, n) && comes !== null;
  return (
    <More
      title="Other pieces"
      about="Seal by size and place, plate, insert, screw, switch; or one that this part has not"
    >
      <View style={{ gap: SPACE.small }}>
        <Choices
          question="Not on this part"
          options={usual.map((p) => ({ value: p.what, label: p.what }))}
          chosen={without}
          onChoose={onWithout}
          mayBeNone
        />
        <Field label="Which, and where" value={what} onChange={setWhat} maxLength={80} />
        <Field
          label="How many"
          inputMode="numeric"
          value={count}
          onChange={setCount}
          fault={
            count !== '' && !inRange(PIECE_COUNT, n) ? `Give ${rangeWords(PIECE_COUNT)}.` : null
          }
        />
        <Choice
          compact
          question="How does it come?"
          options={[
            { value: 'new', label: 'New' },
            { value: 'moves across', label: 'Moves across' },
          ]}
          chosen={comes}
          onChoose={setComes}
          settled
        />
        <Button
          label="Put it on the list"
          disabled={!ready}
          onPress={() => {
            onAdd({ what: what.trim(), count: n, comes: comes! });
            setWhat('');
            setCount('');
            setComes(null);
          }}
        />
      </View>
    </More>
  );
}

const styles = StyleSheet.create({
  head: { flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' },
  guess: { flexDirection: 'row', alignItems: 'center', gap: SPACE.small },
  columns: { flexDirection: 'row', gap: SPACE.small },
  column: { flex: 1, minWidth: 0 },
});
