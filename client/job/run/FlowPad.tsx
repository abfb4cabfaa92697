import { flowFigure, type NextStep } from '@brook/core/job/run';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/Button';
import { FigureRow } from '../../ui/FigureValue';
import { Numeral } from '../../ui/Numeral';
import { Words } from '../../ui/Words';
import { colour, SPACE } from '../../ui/theme';
import { useNow } from '../../ui/useNow';
import { minutesLeft } from '../frame/clockLeft';

/** While a steady flow runs: the time to the next look, what it may have given by now, and the one way to stop it. */
export function FlowPad({
  step,
  onStop,
}: {
  readonly step: Extract<NextStep, { readonly kind: 'flow' }>;
  readonly onStop: () => void;
}) {
  const { running, opening, strokesLeft } = step;
  const nowMs = useNow(running !== null);
  const isUp = running === null || running.dueMs <= nowMs;
  return (
    <View style={[styles.pad, isUp ? styles.loud : null]}>
      <View style={styles.word}>
        <Numeral size="large">
          {running && !isUp ? minutesLeft(running.dueMs - nowMs) : 'Look'}
        </Numeral>
      </View>
      <Words align="center">
        {isUp
          ? 'Shut it, or stand by the reservoir. How much is in the jar?'
          : 'to the next look at jar and reservoir'}
      </Words>
      <Words size="small" tone="softWords" align="center">
        {strokesLeft > 0
          ? `About ${Math.round(strokesLeft * opening.strokeMl.value)} mL to go here`
          : 'The planned wash-out is reached'}
      </Words>
      {running ? (
        <>
          <FigureRow figure={flowFigure(opening, (nowMs - running.sinceMs) / 1000)} />
          <Button small label="It is shut" onPress={onStop} />
        </>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  pad: {
    minHeight: 210,
    borderWidth: 1,
    borderColor: colour.edge,
    justifyContent: 'center',
    marginVertical: SPACE.small,
    padding: SPACE.medium,
    gap: SPACE.small,
  },
  word: { alignItems: 'center', paddingBottom: SPACE.small },
  loud: { borderWidth: 4, borderColor: colour.words },
});
