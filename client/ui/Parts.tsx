import { StyleSheet, View } from 'react-native';
import { Press } from './Press';
import { colour, SPACE } from './theme';
import { Words } from './Words';

export interface PartsProps<T extends string> {
  /** What is done in these parts, for who cannot see them. */
  readonly label: string;
  readonly parts: readonly T[];
  readonly shown: T;
  /** Whether nothing more is asked in a part. */
  readonly isDone: (part: T) => boolean;
  readonly onShow: (part: T) => void;
}

/** Parts of a step side by side, one screenful each: where one is, and the way to any other. */
export function Parts<T extends string>({ label, parts, shown, isDone, onShow }: PartsProps<T>) {
  return (
    <View role="navigation" aria-label={label} style={styles.parts}>
      {parts.map((p) => {
        const here = p === shown;
        return (
          <Press
            key={p}
            role="button"
            aria-label={`${p}: ${isDone(p) ? 'answered' : 'open'}`}
            aria-current={here ? 'step' : undefined}
            onPress={() => (here ? undefined : onShow(p))}
            style={styles.part}
          >
            <View
              style={[
                styles.bar,
                isDone(p) || here ? styles.barDone : null,
                here ? styles.barHere : null,
              ]}
            />
            <Words size="small" strong={here} tone={here ? 'words' : 'softWords'} align="center">
              {p}
            </Words>
          </Press>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  parts: { flexDirection: 'row', gap: SPACE.hair },
  part: { flex: 1, justifyContent: 'flex-start', gap: SPACE.hair, paddingTop: SPACE.small },
  bar: { height: 4, backgroundColor: colour.hairline },
  barDone: { backgroundColor: colour.words },
  barHere: { height: 6, marginVertical: -1 },
});
