import { rubberIn } from '@brook/core/vehicle/circuit';
import {
  rubberLeft,
  stageWords,
  type OwnStage as Stage,
  type RubberRenewed,
  type Timed,
} from '@brook/core/bleed/stages';
import { capital, counted } from '@brook/core/base/text';
import { StyleSheet, View } from 'react-native';
import { ActionBar } from '../../ui/ActionBar';
import { Choice } from '../../ui/Choice';
import { Caution } from '../../ui/Notice';
import { Words } from '../../ui/Words';
import { SPACE } from '../../ui/theme';
import { NumberedSteps } from './NumberedSteps';
import { StageFrame, undoOf, type StageProps } from './StageFrame';

/** Every part with rubber, one press each; the next in turn is the large one. */
export function StripStage({
  stage,
  ...rest
}: StageProps & { readonly stage: Extract<Stage, { kind: 'strip' }> }) {
  const { run, plan } = rest;
  const words = stageWords(plan, stage);
  const said = (run.state.stages[stage.id]?.said ?? []) as readonly Timed<RubberRenewed>[];
  const parts = rubberIn(plan.layout, stage.reservoirIds);
  const left = rubberLeft(plan.layout, stage, said);
  const [next] = left;
  const say = (part: string, how: RubberRenewed['how']) =>
    run.say({ kind: 'rubber renewed', stageId: stage.id, part, how });
  return (
    <StageFrame
      {...rest}
      stage={stage}
      action={
        <ActionBar
          label={next ? 'Renewed' : 'All renewed'}
          waitsFor={next ? null : 'Each part is renewed'}
          side={undoOf(run)}
          onPress={() => say(next!.id, 'renewed')}
        />
      }
    >
      {next ? (
        <View accessibilityLiveRegion="polite">
          <Words size="head" strong>
            {next.name}
          </Words>
          <Words>{`${capital(next.renew)}.`}</Words>
          <Words tone="softWords">
            {`${parts.length - left.length + 1} of ${counted(parts.length, 'part')} with rubber.`}
          </Words>
        </View>
      ) : null}
      <Caution title={words.why} />
      {said.length === 0 ? <NumberedSteps steps={words.steps} /> : null}
      <View style={styles.parts}>
        {parts.map((p) => {
          const how = said.filter((s) => s.part === p.id).at(-1)?.how ?? null;
          return (
            <Choice
              key={p.id}
              compact
              question={p.name}
              why={capital(p.renew)}
              options={[
                { value: 'renewed', label: 'Renewed' },
                ...(p.mayLack ? [{ value: 'has none', label: 'It has none' } as const] : []),
              ]}
              chosen={how}
              onChoose={(value) => say(p.id, value)}
            />
          );
        })}
      </View>
      {said.length > 0 ? <NumberedSteps steps={words.steps} /> : null}
    </StageFrame>
  );
}

const styles = StyleSheet.create({ parts: { gap: SPACE.medium } });
