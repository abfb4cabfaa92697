import type { ReactNode } from 'react';
import { StyleSheet, View, type ViewStyle } from 'react-native';
import { Words } from './Words';
import { SPACE } from './theme';
import { inHead, useUnits } from './unitChoice';

/** A table of figures, as one that cannot see it walks through it. */
export function Table({
  label,
  lead,
  columns,
  width = 56,
  children,
}: {
  readonly label: string;
  /** What stands in the first column. */
  readonly lead: string;
  /** The words over the other columns. */
  readonly columns: readonly string[];
  /** px of each of the other columns. */
  readonly width?: number;
  readonly children: ReactNode;
}) {
  return (
    <View role="table" aria-label={label}>
      <Row>
        <View role="columnheader" style={styles.grow}>
          <ColumnWord align="left">{lead}</ColumnWord>
        </View>
        {columns.map((word, i) => (
          <View key={i} role="columnheader" style={[styles.cell, { width }]}>
            <ColumnWord>{word}</ColumnWord>
          </View>
        ))}
      </Row>
      {children}
    </View>
  );
}

/** One line of a table. */
export function Row({ children }: { readonly children: ReactNode }) {
  return (
    <View role="row" style={styles.row}>
      {children}
    </View>
  );
}

/** The first cell of a line: what the others are of. */
export function RowHead({ children }: { readonly children: ReactNode }) {
  return (
    <View role="rowheader" style={styles.grow}>
      {children}
    </View>
  );
}

/** A line of a table that says more of the one above it, across all columns. */
export function RowMore({
  children,
  style,
}: {
  readonly children: ReactNode;
  readonly style?: ViewStyle;
}) {
  return (
    <View role="row">
      <View role="cell" style={style}>
        {children}
      </View>
    </View>
  );
}

/** One cell of a table of figures. @param width px, the same for a whole column */
export function Cell({
  children,
  width = 56,
}: {
  readonly children: ReactNode;
  readonly width?: number;
}) {
  return (
    <View role="cell" style={[styles.cell, { width }]}>
      {children}
    </View>
  );
}

/** The words over columns that are drawn over a choice, which says its figures itself. */
export function ColumnWords({
  words,
  width,
}: {
  readonly words: readonly string[];
  readonly width: number;
}) {
  return (
    <View style={styles.row} aria-hidden>
      <View style={styles.grow} />
      {words.map((word) => (
        <View key={word} style={[styles.cell, { width }]}>
          <ColumnWord>{word}</ColumnWord>
        </View>
      ))}
    </View>
  );
}

function ColumnWord({
  children,
  align = 'right',
}: {
  readonly children: string;
  readonly align?: 'left' | 'right';
}) {
  const units = useUnits();
  return (
    <Words size="small" tone="softWords" align={align}>
      {inHead(children, units)}
    </Words>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: SPACE.hair },
  grow: { flex: 1 },
  cell: { alignItems: 'flex-end' },
});
