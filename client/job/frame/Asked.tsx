import { StyleSheet, View } from 'react-native';
import { Press } from '../../ui/Press';
import { Words } from '../../ui/Words';
import { colour, SPACE } from '../../ui/theme';

/** Something that is asked in the middle of a run, with what can be answered. */
export function Asked({
  say,
  answers,
}: {
  readonly say: string;
  readonly answers: readonly { readonly label: string; readonly onPress: () => void }[];
}) {
  return (
    <View role="alert" style={styles.notice}>
      <Words size="small" strong>
        {say}
      </Words>
      <View style={styles.answers}>
        {answers.map((a) => (
          <Press key={a.label} role="button" onPress={a.onPress} style={styles.answer}>
            <Words size="small" strong align="center">
              {a.label}
            </Words>
          </Press>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  notice: {
    backgroundColor: colour.well,
    padding: SPACE.small,
    borderLeftWidth: 6,
    borderLeftColor: colour.words,
    gap: SPACE.small,
  },
  answers: { flexDirection: 'row', gap: SPACE.small },
  answer: { flex: 1, borderWidth: 1, borderColor: colour.edge, paddingHorizontal: SPACE.small },
});
