import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Words } from '../ui/Words';

/** One cell of a table of figures. @param width px, the same for a whole column */
export function Cell({
  children,
  width = 56,
}: {
  readonly children: ReactNode;
  readonly width?: number;
}) {
  return <View style={[styles.cell, { width }]}>{children}</View>;
}

/** The word over a column. */
export function ColumnHead({ word, width }: { readonly word: string; readonly width?: number }) {
  return (
    <Cell width={width}>
      <Words size="small" tone="softWords" align="right">
        {word}
      </Words>
    </Cell>
  );
}

/** Which vehicle, and what is asked on this page of its plan. */
export function PageHead({
  vehicle,
  question,
}: {
  readonly vehicle: string;
  readonly question: string;
}) {
  return (
    <View>
      <Words size="small" tone="softWords">
        {vehicle}
      </Words>
      <Words size="head" heading={1}>
        {question}
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({ cell: { alignItems: 'flex-end' } });
