import {
  groupOpenItems,
  isQuiet,
  type OpenItem,
  type OpenItemGroup,
} from '@brook/core/owed/openItems';
import { StyleSheet, View } from 'react-native';
import { clockTime, dayOf } from '../../ui/dates';
import { Stripes } from '../../ui/Notice';
import { Words } from '../../ui/Words';
import { colour, SPACE } from '../../ui/theme';

/**
 * What a vehicle owes: what holds it behind a striped edge, what is only owed
 * behind a thin one; each with whence it came and what settles it. What was only
 * tightened by feel stands below in small: nothing waits for it.
 */
export function OpenItemList({ openItems }: { readonly openItems: readonly OpenItem[] }) {
  const owed = groupOpenItems(openItems.filter((m) => !isQuiet(m)));
  const byFeel = groupOpenItems(openItems.filter(isQuiet));
  return (
    <View role="list" aria-label="What it still owes">
      {owed.map((g) => (
        <OpenItemLine key={g.openItems[0].id} group={g} />
      ))}
      {byFeel.map(({ title, clearsWhen, openItems: [first] }) => (
        <View key={first.id} role="listitem" style={styles.quiet}>
          <Words size="small" tone="softWords">
            {`${title}. ${first.because}. ${whence(first)}. ${clearsWhen}`}
          </Words>
        </View>
      ))}
    </View>
  );
}

function OpenItemLine({ group }: { readonly group: OpenItemGroup }) {
  const [first] = group.openItems;
  const holds = first.weight === 'holds';
  return (
    <View role="listitem" style={styles.line} testID={`open item ${first.kind}`}>
      {holds ? <Stripes /> : <View style={styles.thin} />}
      <View style={styles.text}>
        <Words strong>{group.title}</Words>
        <Words size="small" tone="softWords">
          {`${first.because}. ${whence(first)}`}
        </Words>
        <Words size="small">
          {holds ? group.clearsWhen : `${group.clearsWhen} It may be driven meanwhile.`}
        </Words>
      </View>
    </View>
  );
}

/** @example "Fri 12:10, Una, job 48" */
function whence({ sinceMs, by, jobNumber }: OpenItem): string {
  const at = `${dayOf(sinceMs)} ${clockTime(sinceMs)}`;
  return [at, by, jobNumber === null ? null : `job ${jobNumber}`].filter(Boolean).join(', ');
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', borderTopWidth: 1, borderTopColor: colour.hairline },
  quiet: { borderTopWidth: 1, borderTopColor: colour.hairline, paddingVertical: SPACE.small },
  thin: { width: 12, borderLeftWidth: 3, borderLeftColor: colour.edge },
  text: { flex: 1, gap: 2, paddingVertical: SPACE.small, paddingHorizontal: SPACE.medium },
});
