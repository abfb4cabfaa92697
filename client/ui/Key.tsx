import { StyleSheet, Text } from 'react-native';
import { colour, WORD } from './theme';

/** A key that works here, beside what it does; only where there is a keyboard to press it on. */
export function Key({ children }: { readonly children: string }) {
  return hasKeyboard() ? (
    <Text style={styles.key} aria-hidden>
      {`\u00a0 ${children}`}
    </Text>
  ) : null;
}

/** Whether this is a desk: a mouse or a pad means a keyboard, a finger does not. */
export const hasKeyboard = (): boolean =>
  window.matchMedia?.('(hover: hover) and (pointer: fine)').matches ?? false;

const styles = StyleSheet.create({
  key: { ...WORD.small, color: colour.softWords, fontWeight: '400' },
});
