import type { ReactNode } from 'react';
import { Modal, ScrollView, StyleSheet, View } from 'react-native';
import { colour, SPACE } from './theme';

export interface SheetProps {
  /** What it is, for who cannot see it. */
  readonly label: string;
  readonly children: ReactNode;
  /** The ways on, side by side at its foot. */
  readonly bar: ReactNode;
  readonly onClose: () => void;
}

/** A sheet over the page: the page under it stays as it is. */
export function Sheet({ label, children, bar, onClose }: SheetProps) {
  return (
    <Modal transparent visible animationType="none" onRequestClose={onClose} aria-label={label}>
      <View style={styles.veil}>
        <View style={styles.sheet}>
          <ScrollView contentContainerStyle={styles.body}>{children}</ScrollView>
          <View style={styles.bar}>{bar}</View>
        </View>
      </View>
    </Modal>
  );
}

const styles = StyleSheet.create({
  veil: { flex: 1, justifyContent: 'flex-end', alignItems: 'center', backgroundColor: colour.veil },
  sheet: {
    backgroundColor: colour.ground,
    width: '100%',
    maxWidth: 640,
    maxHeight: '88%',
    borderTopWidth: 3,
    borderTopColor: colour.words,
  },
  body: { padding: SPACE.large, gap: SPACE.medium },
  bar: { flexDirection: 'row', borderTopWidth: 1, borderTopColor: colour.edge, minHeight: 64 },
});
