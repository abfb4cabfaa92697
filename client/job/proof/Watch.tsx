import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/Button';
import { Numeral } from '../../ui/Numeral';
import { useWatchClock } from '../../ui/useWatchClock';
import { Words } from '../../ui/Words';
import { SPACE } from '../../ui/theme';

/** The app's own clock for something that is watched for a time: nobody counts seconds under a car. */
export function Watch({ seconds }: { readonly seconds: number }) {
  const { runS, isUp, start } = useWatchClock(seconds);
  return (
    <View style={styles.watch}>
      {runS === null ? null : isUp ? (
        <Words strong accessibilityLiveRegion="polite">
          {`${seconds} s are over: how was it?`}
        </Words>
      ) : (
        <View role="timer" aria-label="Seconds left">
          <Numeral size="large">{String(seconds - runS)}</Numeral>
        </View>
      )}
      {runS === null || isUp ? (
        <Button label={isUp ? 'Once more' : `Start ${seconds} s`} onPress={start} />
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({ watch: { alignItems: 'center', gap: SPACE.small } });
