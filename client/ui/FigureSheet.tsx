import { figureText, sourceWords } from '@brook/core/base/figure';
import { capital } from '@brook/core/base/text';
import { StyleSheet, View } from 'react-native';
import { Numeral } from './Numeral';
import { closeFigures, openFigures, useOpenFigures } from './openFigures';
import { Press } from './Press';
import { Sheet } from './Sheet';
import { colour, SPACE, TOUCH } from './theme';
import { useUnits } from './unitChoice';
import { Words } from './Words';

/** Rule, source and inputs of a figure; an input that has inputs opens in turn. */
export function FigureSheet() {
  const trail = useOpenFigures();
  const units = useUnits();
  const shown = trail.at(-1);
  if (!shown) return null;
  return (
    <Sheet
      label={`How ${shown.label} came about`}
      onClose={closeFigures}
      bar={
        <>
          {trail.length > 1 ? (
            <Press
              role="button"
              onPress={() => openFigures(trail.slice(0, -1))}
              style={styles.button}
            >
              <Words strong align="center">
                Back
              </Words>
            </Press>
          ) : null}
          <Press role="button" onPress={closeFigures} style={styles.button}>
            <Words strong align="center">
              Close
            </Words>
          </Press>
        </>
      }
    >
      <View>
        <Words size="small" tone="softWords">
          {trail.length > 1
            ? trail
                .slice(0, -1)
                .map((f) => f.label)
                .join(' › ')
            : 'How this came about'}
        </Words>
        <Words size="head" heading={2}>
          {shown.label}
        </Words>
      </View>
      <View style={styles.amount}>
        <Numeral>{figureText(shown, units)}</Numeral>
        {shown.plusMinus ? (
          <Words tone="softWords">{`give or take ${figureText({ value: shown.plusMinus, unit: shown.unit })}`}</Words>
        ) : null}
      </View>
      <Words>{sentence(shown.rule)}</Words>
      <View style={styles.source}>
        <Words size="small" strong>
          {sourceWords(shown.source)}
        </Words>
      </View>
      {shown.from.length > 0 ? (
        <View>
          <Words size="small" tone="softWords">
            From
          </Words>
          {shown.from.map((f, i) => (
            <Press
              key={`${f.label}-${i}`}
              role="button"
              aria-label={`${f.label}: ${figureText(f, units)}. Why?`}
              onPress={() => openFigures([...trail, f])}
              style={styles.row}
            >
              <View style={styles.grow}>
                <Words>{f.label}</Words>
                {f.from.length === 0 ? (
                  <Words size="small" tone="softWords">
                    {f.rule}
                  </Words>
                ) : null}
              </View>
              <Numeral>{figureText(f, units)}</Numeral>
            </Press>
          ))}
        </View>
      ) : null}
    </Sheet>
  );
}

const sentence = (rule: string): string => `${capital(rule)}${/[.!?]$/.test(rule) ? '' : '.'}`;

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
    gap: SPACE.medium,
    minHeight: TOUCH,
  },
  grow: { flex: 1 },
  amount: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.medium },
  source: { borderLeftWidth: 3, borderLeftColor: colour.edge, paddingLeft: SPACE.medium },
  button: { flex: 1 },
});
