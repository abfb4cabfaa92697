import { StyleSheet, Text } from 'react-native';
import { inOwnUnits, useUnits } from './unitChoice';

/** Said aloud whenever it changes, and not shown: for what stands on the screen as a number alone. */
export function Spoken({ children }: { readonly children: string }) {
  const units = useUnits();
  return (
    <Text role="status" accessibilityLiveRegion="polite" style={styles.unseen}>
      {inOwnUnits(children, units)}
    </Text>
  );
}

const styles = StyleSheet.create({
  unseen: {
    position: 'absolute',
    width: 1,
    height: 1,
    overflow: 'hidden',
    // @ts-expect-error a web-only style: there, but not drawn
    clipPath: 'inset(50%)',
  },
});
