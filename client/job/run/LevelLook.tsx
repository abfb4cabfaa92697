import type { PlanReservoir } from '@brook/core/bleed/plan';
import type { NextStep } from '@brook/core/job/run';
import { useState, type ReactNode } from 'react';
import type { LiveRun } from '../../data/run';
import { ActionBar } from '../../ui/ActionBar';
import { Choice } from '../../ui/Choice';
import { undoOf } from './StageFrame';

/** Quarters between MAX and MIN, as an eye reads them, and what lies under MIN. */
function levelsOf(reservoir: PlanReservoir): { readonly value: string; readonly label: string }[] {
  const quarter = (reservoir.maxMl - reservoir.minMl) / 4;
  return [
    ...['MAX', '¾', '½', '¼', 'MIN'].map((label, i) => ({
      value: String(reservoir.maxMl - i * quarter),
      label,
    })),
    { value: String(reservoir.airDrawnMl), label: 'under' },
  ];
}

/** Where a reservoir stands, to a quarter, and whether fluid comes by now. */
export function LevelChoices({
  reservoir,
  nowMl,
  level,
  onLevel,
  comes,
  onComes,
}: {
  readonly reservoir: PlanReservoir;
  /** By the model: it cannot stand higher. */
  readonly nowMl: number;
  readonly level: string | null;
  readonly onLevel: (level: string) => void;
  readonly comes: boolean;
  readonly onComes: (comes: boolean) => void;
}) {
  return (
    <>
      <Choice
        compact
        question="Stopped. Where does it stand?"
        options={levelsOf(reservoir).filter((l) => Number(l.value) <= nowMl + 1)}
        chosen={level}
        onChoose={onLevel}
      />
      <Choice
        compact
        question="Does fluid come into the jar?"
        options={[
          { value: 'no', label: 'Not yet' },
          { value: 'yes', label: 'Yes, it comes' },
        ]}
        chosen={comes ? 'yes' : 'no'}
        onChoose={(v) => onComes(v === 'yes')}
      />
    </>
  );
}

/** While a steady flow fills a way: the look into the reservoir that says how far it fell, and whether fluid comes by now. Null at any other step. */
export function useLevelLook(
  run: LiveRun,
  step: NextStep,
): { readonly body: ReactNode; readonly action: ReactNode } | null {
  const [level, setLevel] = useState<string | null>(null);
  const [comes, setComes] = useState(false);
  if (step.kind !== 'fill way') return null;
  const { opening, reservoir } = step;
  const said = () => {
    run.say({
      kind: 'level seen',
      openingId: opening.id,
      levelMl: Number(level),
      fluidComes: comes,
    });
    setLevel(null);
    setComes(false);
  };
  return {
    body: (
      <LevelChoices
        reservoir={reservoir}
        nowMl={run.state.levelMl[reservoir.id]!}
        level={level}
        onLevel={setLevel}
        comes={comes}
        onComes={setComes}
      />
    ),
    action: (
      <ActionBar
        label={comes ? 'Filled: count from here' : 'Looked, go on'}
        waitsFor={level === null ? 'Look into the reservoir, tap its level' : null}
        onPress={said}
        side={undoOf(run)}
      />
    ),
  };
}
