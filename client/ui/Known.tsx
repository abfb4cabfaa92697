import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour, MIN_CONTENT, SPACE } from './theme';
import { Words } from './Words';

export interface KnownProps {
  readonly title: string;
  /** Whether a person has confirmed it: until then it is hatched. */
  readonly looked: boolean;
  readonly rows: readonly { readonly what: string; readonly is: string }[];
  /** How it is confirmed. */
  readonly children: ReactNode;
}

/** What was pre-filled, in one group: hatched until somebody has looked. */
export function Known({ title, looked, rows, children }: KnownProps) {
  return (
    <View style={styles.group}>
      <Words strong heading={2}>
        {title}
      </Words>
      <View role="list" style={looked ? null : styles.hatched}>
        {rows.map((r) => (
          <View key={r.what} role="listitem" style={styles.row}>
            <View style={styles.grow}>
              <Words>{r.what}</Words>
            </View>
            <Words strong>{r.is}</Words>
          </View>
        ))}
      </View>
      {looked ? null : (
        <Words size="small" tone="softWords">
          Hatched: nobody has looked today.
        </Words>
      )}
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  group: { gap: SPACE.small },
  hatched: {
    // @ts-expect-error a web-only style: hatched until a person has looked
    backgroundImage: 'repeating-linear-gradient(135deg, var(--well) 0 4px, var(--ground) 4px 9px)',
  },
  row: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    gap: SPACE.small,
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
    paddingVertical: SPACE.medium,
    paddingHorizontal: SPACE.small,
  },
  grow: { flex: 1, minWidth: MIN_CONTENT },
});
