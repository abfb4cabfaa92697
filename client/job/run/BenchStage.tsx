import { CLOCK_WORDS } from '@brook/core/base/clock';
import {
  BENCH_SIGNS,
  benchGrade,
  signsOf,
  stageWords,
  type BenchEvent,
  type BenchSign,
  type OwnStage as Stage,
} from '@brook/core/bleed/stages';
import { capital } from '@brook/core/base/text';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { ActionBar, PromptBar } from '../../ui/ActionBar';
import { Button } from '../../ui/Button';
import { Choices } from '../../ui/Choices';
import { FigureRow } from '../../ui/FigureValue';
import { Caution } from '../../ui/Notice';
import { SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { NumberedSteps } from './NumberedSteps';
import { OwnStage } from './OwnStage';
import { StageFrame, undoOf, type StageProps } from './StageFrame';

type Bench = Extract<Stage, { readonly kind: 'bench' }>;

const SIGN_WORDS: Readonly<Record<BenchSign, string>> = {
  'no bubbles': 'No bubbles for a minute',
  'level steady': 'Level steady',
  'piston firm': 'Piston firm',
};

/** A master on the bench: it ends when every chamber has its three signs, and by how it ended. */
export function BenchStage({
  stage,
  action,
  ...rest
}: StageProps & { readonly stage: Bench; readonly action: ReactNode }) {
  // A plan from before asked for a tap alone.
  if (!stage.signs) return <OwnStage stage={stage} action={action} {...rest} />;
  return <Signs stage={stage} {...rest} />;
}

function Signs({ stage, ...rest }: StageProps & { readonly stage: Bench }) {
  const { plan, run } = rest;
  const words = stageWords(plan, stage);
  const said = (run.state.stages[stage.id]?.said ?? []) as readonly BenchEvent[];
  const chambers = plan.layout.masters
    .find((m) => m.id === stage.masterId)!
    .chambers.map((c) => c.name);
  const full = chambers.every((c) => signsOf(said, c).length === BENCH_SIGNS.length);
  const change = (chamber: string, before: readonly BenchSign[], now: readonly BenchSign[]) => {
    for (const sign of BENCH_SIGNS)
      if (before.includes(sign) !== now.includes(sign))
        run.say({
          kind: 'bench sign',
          stageId: stage.id,
          chamber,
          sign,
          holds: now.includes(sign),
        });
  };
  const end = (grade: 'clean' | 'a few tiny bubbles') =>
    run.say({ kind: 'bench ended', stageId: stage.id, grade });
  return (
    <StageFrame
      {...rest}
      stage={stage}
      action={
        full && benchGrade(said, chambers) === null ? (
          <ActionBar
            label="Every chamber clean: done"
            side={undoOf(run)}
            onPress={() => end('clean')}
          />
        ) : (
          <PromptBar prompt="Three signs in every chamber" side={undoOf(run)} />
        )
      }
    >
      <Caution title={words.why} />
      <NumberedSteps steps={words.steps} />
      {chambers.map((chamber) => {
        const signs = signsOf(said, chamber);
        return (
          <View key={chamber} style={{ gap: SPACE.small }}>
            <Choices
              question={chambers.length > 1 ? capital(chamber) : 'What is seen'}
              options={BENCH_SIGNS.map((sign) => ({ value: sign, label: SIGN_WORDS[sign] }))}
              chosen={signs}
              all
              onChoose={(now) => change(chamber, signs, now)}
            />
            <Button
              small
              label="Tube end left the fluid"
              spoken={`${chamber}: tube end left the fluid`}
              onPress={() => run.say({ kind: 'tube end out', stageId: stage.id, chamber })}
            />
          </View>
        );
      })}
      {full ? (
        <Button label="A few tiny bubbles still" onPress={() => end('a few tiny bubbles')} />
      ) : null}
      <FigureRow figure={stage.minutes} />
      <Words tone="softWords">{CLOCK_WORDS.bench.then}</Words>
      <FigureRow figure={stage.savesMinutes} />
    </StageFrame>
  );
}
