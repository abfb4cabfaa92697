import { inRange, rangeWords } from '@brook/core/units';
import { stageWords, type PartCompared, type PlanStage } from '@brook/core/stages';
import type { LiveRun } from '../data/run';
import {
  PIECE_COUNT,
  compareNeed,
  partFaults,
  partNeeds,
  PIECE_STATE_WORDS,
  usualPieces,
  type Found,
  type PartNeed,
  type Piece,
  type PieceState,
} from '@brook/core/part';

import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ActionBar } from '../ui/ActionBar';
import { Button } from '../ui/Button';
import { capital, lowerFirst } from '@brook/core/text';
import { Choice } from '../ui/Choice';
import { Choices } from '../ui/Choices';
import { Field } from '../ui/Field';
import { FigureValue } from '../ui/FigureValue';
import { More } from '../ui/More';
import { Caution } from '../ui/Notice';
import { Words } from '../ui/Words';
import { SPACE } from '../ui/theme';
import { typedNumber } from '../ui/typedNumber';
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
  const [typed, setTyped] = useState<Readonly<Record<string, string | boolean>>>(() =>
    typedOf(before?.found ?? {}),
  );
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
    needs.flatMap((n) => (typed[n.id] === undefined ? [] : [[n.id, foundOf(n, typed[n.id]!)]])),
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
          label={faults.length > 0 ? 'It does not fit: put that down' : 'It fits: put that down'}
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
          value={typed[need.id]}
          found={found[need.id]}
          onChange={(value) => setTyped({ ...typed, [need.id]: value })}
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

/** What was found, as it is typed. */
const typedOf = (found: Readonly<Record<string, Found>>): Record<string, string | boolean> =>
  Object.fromEntries(
    Object.entries(found).map(([id, v]) => [id, typeof v === 'number' ? String(v) : v]),
  );

function foundOf(need: PartNeed, value: string | boolean): Found {
  return need.kind === 'number' && typeof value === 'string' ? typedNumber(value) : value;
}

/** One thing in which old and new must agree. */
function Need({
  need,
  value,
  found,
  onChange,
}: {
  readonly need: PartNeed;
  readonly value: string | boolean | undefined;
  readonly found: Found | undefined;
  readonly onChange: (value: string | boolean) => void;
}) {
  if (need.kind === 'as the old one') {
    return (
      <Choice
        question={need.label}
        why={need.why}
        options={[
          { value: 'yes', label: 'As the old one' },
          { value: 'no', label: 'Not so' },
        ]}
        chosen={value === undefined ? null : value ? 'yes' : 'no'}
        onChoose={(a) => onChange(a === 'yes')}
        fault={value === false ? 'This one must not be fitted.' : null}
      />
    );
  }
  if (need.kind === 'number' && need.tolerance === 0) {
    const wanted = need.needed.value;
    return (
      <Choice
        question={`${need.label}: ${wanted} needed`}
        options={[wanted - 1, wanted, wanted + 1]
          .filter((n) => n > 0)
          .map((n) => ({ value: String(n), label: String(n) }))}
        chosen={typeof value === 'string' ? value : null}
        onChoose={onChange}
        fault={
          compareNeed(need, found) === 'differs'
            ? `${wanted} needed; this one must not be fitted.`
            : null
        }
      />
    );
  }
  const wanted =
    need.kind === 'number'
      ? `${need.needed.value}${need.needed.unit === 'mm' ? ' mm' : ''}`
      : need.needed;
  const differs = compareNeed(need, found) === 'differs';
  return (
    <View style={styles.need}>
      <View style={styles.grow}>
        <Field
          label={need.label}
          value={typeof value === 'string' ? value : ''}
          onChange={onChange}
          unit={need.kind === 'number' && need.needed.unit === 'mm' ? 'mm' : undefined}
          inputMode={need.kind === 'number' ? 'decimal' : 'text'}
          fault={differs ? `${wanted} is needed; this one must not be fitted.` : null}
        />
      </View>
      <View style={styles.wanted}>
        <Words size="small" tone="softWords">
          needed
        </Words>
        {need.kind === 'number' ? (
          <FigureValue figure={need.needed} text={String(need.needed.value)} />
        ) : (
          <Words strong>{need.needed}</Words>
        )}
      </View>
    </View>
  );
}

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
  need: { flexDirection: 'row', gap: SPACE.medium, alignItems: 'flex-end' },
  wanted: { width: 72, alignItems: 'flex-end' },
  grow: { flex: 1 },
});
