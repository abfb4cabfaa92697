import type { Layout } from '@brook/core/vehicle/circuit';
import { faultRowsFor, type FaultSign } from '@brook/core/find/faults';
import { PRACTICE, sourceWords } from '@brook/core/base/figure';
import { StyleSheet, View } from 'react-native';
import { lowerFirst } from '@brook/core/base/text';
import { More } from '../../../ui/More';
import { colour, SPACE } from '../../../ui/theme';
import { Words } from '../../../ui/Words';

/** The rows of the fault list that fit what was met: what is likely, what tells it apart, what to do. Reached from every stop. */
export function FaultList({
  signs,
  layout,
  open,
}: {
  readonly signs: readonly FaultSign[];
  /** Of the vehicle: what it has not is not named. */
  readonly layout?: Layout;
  readonly open?: boolean;
}) {
  const rows = faultRowsFor(signs, layout);
  if (rows.length === 0) return null;
  return (
    <More
      title="What it may be"
      about={`${rows.length === 1 ? 'One row' : `${rows.length} rows`} of the fault list`}
      open={open}
    >
      <View role="list" style={styles.list}>
        {rows.map((row) => (
          <View key={row.seen} role="listitem" style={styles.row}>
            <Words strong>{row.seen}</Words>
            <Words size="small">{`Likely: ${lowerFirst(row.likely)}.`}</Words>
            <Words size="small">{`Tell it by: ${lowerFirst(row.tell)}.`}</Words>
            <Words size="small" strong>{`${row.act}.`}</Words>
          </View>
        ))}
      </View>
      <Words size="small" tone="softWords">
        {`${sourceWords(PRACTICE)}. In no order of likelihood.`}
      </Words>
    </More>
  );
}

const styles = StyleSheet.create({
  list: { gap: SPACE.medium },
  row: { gap: 2, borderLeftWidth: 3, borderLeftColor: colour.edge, paddingLeft: SPACE.medium },
});
