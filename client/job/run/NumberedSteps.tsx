import { StyleSheet, View } from 'react-native';
import { Numeral } from '../../ui/Numeral';
import { Words } from '../../ui/Words';
import { colour, SPACE } from '../../ui/theme';

/** What to do, step by step. */
export function NumberedSteps({ steps }: { readonly steps: readonly string[] }) {
  return (
    <View role="list">
      {steps.map((s, i) => (
        <View key={s} role="listitem" style={styles.line}>
          <View style={styles.number}>
            <Numeral>{String(i + 1)}</Numeral>
          </View>
          <View style={styles.grow}>
            <Words>{s}</Words>
          </View>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  line: {
    flexDirection: 'row',
    gap: SPACE.medium,
    paddingVertical: SPACE.small,
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
  },
  number: { width: 28 },
  grow: { flex: 1 },
});
