import {
  dropsOf,
  injectionBy,
  stageWords,
  type Injection,
  type InjectionEvent,
  type OwnStage as Stage,
} from '@brook/core/bleed/stages';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { ActionBar, PromptBar } from '../../ui/ActionBar';
import { Numeral } from '../../ui/Numeral';
import { Caution } from '../../ui/Notice';
import { Press } from '../../ui/Press';
import { colour, SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { NumberedSteps } from './NumberedSteps';
import { OwnStage } from './OwnStage';
import { StageFrame, undoOf, type StageProps } from './StageFrame';

type InjectionProps = StageProps & {
  readonly stage: Extract<Stage, { readonly kind: 'injection' }>;
};

/** What is read off a level at a glance, mm. */
const DROPS_MM = [0, 1, 2, 4, 8, 12] as const;
/** Height of the curve, px. */
const CURVE_PX = 96;

const SAYS: Readonly<Record<Injection, string>> = {
  locked: 'The level stands: the lock is there still. Inject a little more, then a slow stroke.',
  falling: 'It takes fluid. Slow strokes, and read each drop, until two in a row are small.',
  'died away':
    'The drop has died away. A few more strokes, hold it down, shut, let go, top up, pump up.',
};

/** An injection: the drop of the level at each stroke, until it has died away. */
export function InjectionStage({
  action,
  ...props
}: InjectionProps & { readonly action: ReactNode }) {
  // A plan from before asked for a tap alone.
  return props.stage.drops ? <Drops {...props} /> : <OwnStage {...props} action={action} />;
}

function Drops({ stage, ...rest }: InjectionProps) {
  const { run } = rest;
  const words = stageWords(rest.plan, stage);
  const drops = dropsOf((run.state.stages[stage.id]?.said ?? []) as readonly InjectionEvent[]);
  const far = injectionBy(drops);
  return (
    <StageFrame
      {...rest}
      stage={stage}
      action={
        far === 'died away' ? (
          <ActionBar
            label="Topped up and pumped up"
            side={undoOf(run)}
            onPress={() => run.say({ kind: 'pumped up', stageId: stage.id })}
          />
        ) : (
          <PromptBar prompt="Tap the drop of this stroke" side={undoOf(run)} />
        )
      }
    >
      <Caution title={words.why} />
      {drops.length === 0 ? <NumberedSteps steps={words.steps} /> : <Curve drops={drops} />}
      <Words strong accessibilityLiveRegion="polite">
        {SAYS[far]}
      </Words>
      <View role="group" aria-label="Drop of the level at this stroke, mm" style={styles.row}>
        {DROPS_MM.map((mm) => (
          <Press
            key={mm}
            role="button"
            aria-label={`${mm} mm`}
            onPress={() => run.say({ kind: 'level dropped', stageId: stage.id, mm })}
            style={styles.drop}
            pressedStyle={{ backgroundColor: colour.well }}
          >
            <View style={styles.number}>
              <Numeral>{String(mm)}</Numeral>
            </View>
          </Press>
        ))}
      </View>
      <Words size="small" tone="softWords">
        Drop of the level at this stroke, mm. 12 stands for more as well.
      </Words>
    </StageFrame>
  );
}

/** Each drop as a bar hanging from the level before it: a curve that dies away. */
function Curve({ drops }: { readonly drops: readonly number[] }) {
  const most = Math.max(...drops, 1);
  return (
    <View
      role="img"
      aria-label={`The level fell ${drops.join(', ')} mm, stroke by stroke`}
      style={styles.curve}
    >
      {drops.map((mm, i) => (
        <View key={i} style={styles.bar}>
          <View style={[styles.fill, { height: Math.max(2, (mm / most) * CURVE_PX) }]} />
          <Words size="small" align="center">
            {String(mm)}
          </Words>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.small },
  drop: { flexGrow: 1, flexBasis: '28%', borderWidth: 1, borderColor: colour.edge },
  number: { alignItems: 'center' },
  curve: {
    flexDirection: 'row',
    alignItems: 'flex-start',
    gap: SPACE.hair,
    borderTopWidth: 2,
    borderTopColor: colour.words,
    minHeight: CURVE_PX,
  },
  bar: { flex: 1, maxWidth: 40 },
  fill: { backgroundColor: colour.words },
});
