import { planGlance, type Plan } from '@brook/core/bleed/plan';
import { figure, ARITHMETIC, type Figure } from '@brook/core/base/figure';
import { isConverted, numberIn } from '@brook/core/base/units';
import { StyleSheet, View } from 'react-native';
import { Numeral } from '../../ui/Numeral';
import { openFigures } from '../../ui/openFigures';
import { Press } from '../../ui/Press';
import { colour, SPACE } from '../../ui/theme';
import { useUnits } from '../../ui/unitChoice';
import { Words } from '../../ui/Words';

/** A plan at a glance: minutes, people, litres, bleeders, and what must begin before. */
export function Glance({ plan }: { readonly plan: Plan }) {
  const units = useUnits();
  const { handsOn, waiting, people, litres, bleeders, before } = planGlance(plan);
  const facts: { readonly value: string; readonly unit: string; readonly figure: Figure }[] = [
    { value: handsOn.value.toFixed(0), unit: 'min hands on', figure: handsOn },
    ...(waiting.value >= 0.5
      ? [
          waiting.value >= 120
            ? { value: (waiting.value / 60).toFixed(0), unit: 'h waiting', figure: waiting }
            : { value: waiting.value.toFixed(0), unit: 'min waiting', figure: waiting },
        ]
      : []),
    {
      value: String(people),
      unit: people === 1 ? 'person' : 'people',
      figure: count('People', people, 'by the method of each opening'),
    },
    isConverted('L', units)
      ? { value: numberIn(litres.value.toFixed(2), 'L', units), unit: 'fl oz', figure: litres }
      : { value: litres.value.toFixed(2), unit: 'litres', figure: litres },
    {
      value: String(bleeders),
      unit: bleeders === 1 ? 'bleeder' : 'bleeders',
      figure: count('Bleeders', bleeders, 'each counted once, however often it is opened'),
    },
  ];
  return (
    <View style={styles.head}>
      <View style={styles.facts} role="list" aria-label="The plan at a glance">
        {facts.map((f) => (
          <View key={f.unit} role="listitem">
            <Press
              role="button"
              aria-label={`${f.value} ${f.unit}. Why?`}
              onPress={() => openFigures([f.figure])}
              style={styles.fact}
            >
              <Numeral>{f.value}</Numeral>
              <Words size="small" tone="softWords">
                {f.unit}
              </Words>
            </Press>
          </View>
        ))}
      </View>
      {before.map((b) => (
        <Words key={b.what} strong>{`The day before: ${b.what}.`}</Words>
      ))}
    </View>
  );
}

const count = (label: string, value: number, rule: string): Figure =>
  figure({ label, value, unit: 'times', rule, source: ARITHMETIC });

const styles = StyleSheet.create({
  head: {
    gap: SPACE.small,
    borderTopWidth: 2,
    borderTopColor: colour.words,
    paddingTop: SPACE.small,
  },
  facts: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.medium, rowGap: SPACE.small },
  fact: { minHeight: 48, minWidth: 48 },
});
