import { WAY, type JobStage, type WayStep } from '@brook/core/job/stage';
import { ScrollView, StyleSheet, View } from 'react-native';
import { capital } from '@brook/core/base/text';
import { useNarrowScreen } from './Page';
import { Press } from './Press';
import { colour } from './theme';
import { Words } from './Words';

export interface WayProps {
  readonly stage: JobStage;
  /** How far the job has come; an ended one stays there. */
  readonly reached: WayStep;
  /** The step that is looked at. */
  readonly shown: WayStep;
  readonly onStep: (step: WayStep) => void;
}

/** How full each pool is, 0 to 1: done, in hand, still to come. An ended job stops where it stopped. */
export function poolFill(stage: JobStage, step: WayStep, reached: WayStep): number {
  if (stage === 'released') return 1;
  const here = WAY.indexOf(reached);
  const place = WAY.indexOf(step);
  if (place < here) return 1;
  if (place > here) return 0;
  return stage === 'test drive' ? 0.6 : 0.5;
}

/** The way from intake to release, down the left edge; each step a pool that fills with ink. */
export function Way({ stage, reached, shown, onStep }: WayProps) {
  const narrow = useNarrowScreen();
  return (
    <ScrollView
      style={[styles.band, narrow ? styles.narrow : null]}
      contentContainerStyle={styles.steps}
      role="navigation"
      aria-label="The way of this job"
    >
      {WAY.map((step, i) => {
        const fill = poolFill(stage, step, reached);
        const reachable = i <= WAY.indexOf(reached);
        return (
          <View key={step} style={[styles.step, i === WAY.length - 1 ? styles.mouth : null]}>
            <Press
              role="button"
              aria-label={`${capital(step)}: ${fill === 1 ? 'done' : fill > 0 ? 'in hand' : 'to come'}`}
              aria-current={step === shown ? 'step' : undefined}
              disabled={!reachable}
              onPress={() => onStep(step)}
              style={styles.press}
            >
              <View style={[styles.pool, step === shown ? styles.poolShown : null]}>
                <View style={[styles.ink, { height: 22 * fill }]} />
              </View>
              {narrow ? null : (
                <Words
                  size="small"
                  strong={step === shown}
                  tone={reachable ? 'words' : 'softWords'}
                  align="center"
                >
                  {capital(step)}
                </Words>
              )}
            </Press>
            {i < WAY.length - 1 ? (
              <View style={[styles.stream, fill === 1 ? styles.streamFull : null]} />
            ) : null}
          </View>
        );
      })}
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  band: {
    flexGrow: 0,
    flexShrink: 0,
    width: 64,
    borderRightWidth: 1,
    borderRightColor: colour.hairline,
  },
  narrow: { width: 44 },
  steps: { flexGrow: 1, paddingVertical: 8 },
  step: { flex: 1, alignItems: 'center' },
  mouth: { flexGrow: 0, flexShrink: 0, flexBasis: 'auto' },
  stream: { width: 2, flex: 1, backgroundColor: colour.hairline },
  streamFull: { width: 4, backgroundColor: colour.words },
  press: { alignItems: 'center', width: '100%', gap: 2 },
  pool: {
    width: 28,
    height: 28,
    borderRadius: 14,
    borderWidth: 2,
    borderColor: colour.edge,
    padding: 1,
    overflow: 'hidden',
    justifyContent: 'flex-end',
    alignSelf: 'center',
  },
  poolShown: { borderColor: colour.words, borderWidth: 3 },
  ink: { backgroundColor: colour.words, width: 24 },
});
