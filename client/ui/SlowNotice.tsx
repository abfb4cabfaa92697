import { useSyncExternalStore } from 'react';
import { StyleSheet, View } from 'react-native';
import { slowness } from '../data/api';
import { Press } from './Press';
import { colour, SPACE } from './theme';
import { Words } from './Words';

/** A server that hangs is said, wherever somebody waits for it, with a way on. */
export function SlowNotice() {
  const isSlow = useSyncExternalStore(slowness.subscribe, slowness.isSlow, () => false);
  if (!isSlow) return null;
  return (
    <View role="status" style={styles.bar}>
      <View style={styles.words}>
        <Words size="small" strong>
          The workshop’s server does not answer. What you tap is kept on this phone.
        </Words>
      </View>
      <Press role="button" style={styles.again} onPress={() => window.location.reload()}>
        <Words size="small" strong>
          Load anew
        </Words>
      </Press>
    </View>
  );
}

const styles = StyleSheet.create({
  bar: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.medium,
    backgroundColor: colour.well,
    borderBottomWidth: 1,
    borderBottomColor: colour.edge,
    paddingHorizontal: SPACE.medium,
  },
  words: { flex: 1 },
  again: { borderWidth: 1, borderColor: colour.edge, paddingHorizontal: SPACE.small },
});
