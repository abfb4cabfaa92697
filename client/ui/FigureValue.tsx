import type { Figure } from '@brook/core/base/figure';
import { figureText } from '@brook/core/base/figure';
import { numberIn } from '@brook/core/base/units';
import { StyleSheet, View } from 'react-native';
import { Numeral } from './Numeral';
import { openFigures } from './openFigures';
import { Press } from './Press';
import { colour, SPACE, TOUCH } from './theme';
import { useUnits } from './unitChoice';
import { Words } from './Words';

export interface FigureValueProps {
  readonly figure: Figure;
  /** Shown instead of number and unit, where the unit stands elsewhere. */
  readonly text?: string | undefined;
}

const BARE = /^[−+]?[\d.,]+$/;

/** A number that opens to how it came about. */
export function FigureValue({ figure, text }: FigureValueProps) {
  const units = useUnits();
  const whole = figureText(figure, units);
  // A bare number stands under its unit, which is the reader's.
  const shown =
    text !== undefined && BARE.test(text) ? numberIn(text, figure.unit, units) : (text ?? whole);
  return (
    <Press
      role="button"
      printed
      aria-label={`${figure.label}: ${whole}. Why?`}
      onPress={() => openFigures([figure])}
      style={styles.value}
    >
      <View style={styles.dotted}>
        <Numeral>{shown}</Numeral>
      </View>
    </Press>
  );
}

/** A label at the left, its figure at the right. */
export function FigureRow({ figure, label, text }: FigureValueProps & { readonly label?: string }) {
  return (
    <View style={styles.row}>
      <View style={styles.grow}>
        <Words>{label ?? figure.label}</Words>
      </View>
      <FigureValue figure={figure} text={text} />
    </View>
  );
}

const styles = StyleSheet.create({
  value: { alignItems: 'flex-end', minWidth: TOUCH },
  dotted: { borderBottomWidth: 2, borderBottomColor: colour.edge, borderStyle: 'dotted' },
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
    gap: SPACE.medium,
    minHeight: TOUCH,
  },
  grow: { flex: 1 },
});
