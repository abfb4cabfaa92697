import { handsOnMinutes, type Materials } from '@brook/core/bleed/plan';
import { StyleSheet, View } from 'react-native';
import { FigureRow, FigureValue } from '../../ui/FigureValue';
import { More } from '../../ui/More';
import { colour, SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';

/** What must be at hand, and how the time goes, the day before included. */
export function MaterialsList({ materials }: { readonly materials: Materials }) {
  const { items, timeline } = materials;
  const early = timeline.filter((t) => t.when === 'the day before').length;
  return (
    <View>
      <More title="Lay out" about={`${items.length} things, by the sizes of this layout`}>
        <View role="list">
          {items.map((m) => (
            <View key={`${m.what}-${m.for}`} role="listitem" style={styles.line}>
              <Words>{m.what}</Words>
              {m.for ? (
                <Words size="small" tone="softWords">
                  {m.for}
                </Words>
              ) : null}
            </View>
          ))}
        </View>
      </More>
      <More
        title="How the time goes"
        about={
          early > 0
            ? `${early} ${early === 1 ? 'thing begins' : 'things begin'} the day before`
            : 'All of it today'
        }
      >
        <View>
          {timeline.map((t) => (
            <View key={t.what} style={styles.piece}>
              <View style={styles.grow}>
                <Words>{t.what}</Words>
                <Words size="small" tone="softWords">
                  {t.when}
                </Words>
              </View>
              <View>
                <FigureValue figure={t.handsOn} />
                {t.waiting ? (
                  <FigureValue
                    figure={t.waiting}
                    text={`then ${t.waiting.value < 120 ? `${Math.round(t.waiting.value)} min` : `${Math.round(t.waiting.value / 60)} h`}`}
                  />
                ) : null}
              </View>
            </View>
          ))}
          <FigureRow figure={handsOnMinutes(materials)} />
        </View>
      </More>
    </View>
  );
}

const styles = StyleSheet.create({
  line: { borderTopWidth: 1, borderTopColor: colour.hairline, paddingVertical: SPACE.small },
  piece: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.medium,
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
    paddingVertical: SPACE.hair,
  },
  grow: { flex: 1 },
});
