import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Press } from './Press';
import { About } from './Question';
import { colour, SPACE } from './theme';
import { Words } from './Words';

export interface MoreProps {
  /** What is behind it. */
  readonly title: string;
  /** What stands there now, in short. */
  readonly about?: string;
  readonly children: ReactNode;
  readonly open?: boolean;
}

/** Something that most jobs do not need, one tap away. */
export function More({ title, about, children, open: openAtFirst = false }: MoreProps) {
  const [open, setOpen] = useState(openAtFirst);
  return (
    <View style={styles.more}>
      <Press
        role="button"
        printed={open}
        aria-expanded={open}
        aria-label={title}
        onPress={() => setOpen(!open)}
        pressedStyle={{ backgroundColor: colour.well }}
      >
        <View style={styles.line}>
          <View style={styles.text}>
            <Words strong>{title}</Words>
            <About about={about} />
          </View>
          <Words size="small" strong>
            {open ? 'Less' : 'More'}
          </Words>
        </View>
      </Press>
      {open ? <View style={styles.inside}>{children}</View> : null}
    </View>
  );
}

const styles = StyleSheet.create({
  more: { borderTopWidth: 1, borderTopColor: colour.hairline },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.medium },
  text: { flex: 1, paddingVertical: SPACE.small },
  inside: { gap: SPACE.large, paddingBottom: SPACE.large },
});
