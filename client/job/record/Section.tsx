import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour, SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';

/** One part of a record, under its heading. */
export function Section({
  title,
  children,
}: {
  readonly title: string;
  readonly children: ReactNode;
}) {
  return (
    <View style={styles.section}>
      <Words strong heading={2}>
        {title}
      </Words>
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  section: {
    gap: SPACE.hair,
    borderTopWidth: 1,
    borderTopColor: colour.edge,
    paddingTop: SPACE.medium,
  },
});
