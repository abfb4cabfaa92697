import type { ReactNode } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { colour, NARROW_UNDER, SHORT_UNDER, SPACE, WIDE_FROM } from './theme';

export interface PageProps {
  readonly children: ReactNode;
  /** Slim band at the left edge: the way, or the reservoir. */
  readonly band?: ReactNode;
  /** Second column on a wide screen; on a phone it is not shown. */
  readonly beside?: ReactNode;
  /** The next action, fixed at the foot of the step’s own column. */
  readonly action?: ReactNode;
  /** Whether the content fills the height by itself instead of scrolling. */
  readonly fills?: boolean;
}

/** A screen: band at the edge, content with the one action at its foot. */
export function Page({ children, band, beside, action, fills }: PageProps) {
  const wide = useWideScreen();
  const content = fills ? (
    <ScrollView contentContainerStyle={styles.filled}>{children}</ScrollView>
  ) : (
    <ScrollView contentContainerStyle={[styles.scrolled, wide ? styles.scrolledWide : null]}>
      {children}
    </ScrollView>
  );
  return (
    <View style={styles.page}>
      {band}
      <View style={styles.main} role="main">
        <View style={styles.columns}>
          <View
            style={[
              styles.column,
              wide && beside ? styles.columnBeside : wide ? styles.columnAlone : null,
            ]}
          >
            {content}
            {action}
          </View>
          {wide && beside ? <View style={styles.beside}>{beside}</View> : null}
        </View>
      </View>
    </View>
  );
}

/** Whether the screen is wide enough for two columns. */
export function useWideScreen(): boolean {
  return useWindowDimensions().width >= WIDE_FROM;
}

/** Whether the screen is so short that what only pleases must give way. */
export function useShortScreen(): boolean {
  return useWindowDimensions().height < SHORT_UNDER;
}

/** Whether the screen is so narrow that the band at the edge must give way. */
export function useNarrowScreen(): boolean {
  return useWindowDimensions().width < NARROW_UNDER;
}

const styles = StyleSheet.create({
  page: { flex: 1, flexDirection: 'row', backgroundColor: colour.ground },
  main: { flex: 1, minWidth: 0 },
  columns: { flex: 1, flexDirection: 'row', minHeight: 0 },
  column: { flex: 1, minWidth: 0 },
  columnBeside: { flexGrow: 0, flexShrink: 1, flexBasis: 460, minWidth: 360 },
  columnAlone: { maxWidth: 760 },
  beside: {
    flexGrow: 1,
    flexShrink: 1,
    flexBasis: 320,
    borderLeftWidth: 1,
    borderLeftColor: colour.hairline,
    minWidth: 0,
  },
  // As high as the screen leaves; where that is too little it scrolls.
  filled: { flexGrow: 1, padding: SPACE.medium },
  scrolled: { padding: SPACE.large, paddingBottom: SPACE.vast, gap: SPACE.large },
  scrolledWide: { padding: SPACE.wide },
});
