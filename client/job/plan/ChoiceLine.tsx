import { StyleSheet, View } from 'react-native';
import { Press } from '../../ui/Press';
import { About } from '../../ui/Question';
import { colour, SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';

export interface ChoiceLineProps {
  readonly label: string;
  readonly value: string;
  readonly about?: string | undefined;
  /** Opens what it is chosen from; without it the line only tells. */
  readonly onPress?: (() => void) | undefined;
}

/** One thing that the plan was made with, and the way to change it. */
export function ChoiceLine({ label, value, about, onPress }: ChoiceLineProps) {
  const body = (
    <View style={styles.line}>
      <View style={styles.label}>
        <Words size="small" tone="softWords">
          {label}
        </Words>
      </View>
      <View style={styles.grow}>
        <Words strong>{value}</Words>
        <About about={about} />
      </View>
      {onPress ? <Words strong>›</Words> : null}
    </View>
  );
  if (!onPress) return <View style={styles.row}>{body}</View>;
  return (
    <Press
      role="button"
      aria-label={`${label}: ${value}. Change`}
      onPress={onPress}
      style={styles.row}
      pressedStyle={{ backgroundColor: colour.well }}
    >
      {body}
    </Press>
  );
}

const styles = StyleSheet.create({
  row: { borderTopWidth: 1, borderTopColor: colour.hairline, paddingVertical: SPACE.small },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.medium },
  label: { width: 76 },
  grow: { flex: 1 },
});
