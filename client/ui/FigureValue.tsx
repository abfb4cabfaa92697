import type { Figure } from '@brook/core/figure';
import { figureText, sourceWords } from '@brook/core/figure';
import { useState } from 'react';
import { Modal, ScrollView, StyleSheet, View } from 'react-native';
import { capital } from '@brook/core/text';
import { Numeral } from './Numeral';
import { Press } from './Press';
import { colour, SPACE, TOUCH } from './theme';
import { Words } from './Words';

export interface FigureValueProps {
  readonly figure: Figure;
  /** Shown instead of number and unit, where the unit stands elsewhere. */
  readonly text?: string | undefined;
}

/** A number that opens to how it came about. */
export function FigureValue({ figure, text }: FigureValueProps) {
  const [open, setOpen] = useState(false);
  const shown = text ?? figureText(figure);
  return (
    <>
      <Press
        role="button"
        aria-label={`${figure.label}: ${figureText(figure)}. Why?`}
        onPress={() => setOpen(true)}
        style={styles.value}
      >
        <View style={styles.dotted}>
          <Numeral>{shown}</Numeral>
        </View>
      </Press>
      {open ? <FigureSheet figure={figure} onClose={() => setOpen(false)} /> : null}
    </>
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

/** Rule, source and inputs of a figure; an input that has inputs opens in turn. */
export function FigureSheet({
  figure,
  onClose,
}: {
  readonly figure: Figure;
  readonly onClose: () => void;
}) {
  const [trail, setTrail] = useState<readonly Figure[]>([figure]);
  const shown = trail[trail.length - 1]!;
  return (
    <Modal
      transparent
      visible
      animationType="none"
      onRequestClose={onClose}
      aria-label={`How ${shown.label} came about`}
    >
      <View style={styles.veil}>
        <View style={styles.sheet}>
          <ScrollView contentContainerStyle={styles.body}>
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
              <Numeral>{figureText(shown)}</Numeral>
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
                    aria-label={`${f.label}: ${figureText(f)}. Why?`}
                    onPress={() => setTrail([...trail, f])}
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
                    <Numeral>{figureText(f)}</Numeral>
                  </Press>
                ))}
              </View>
            ) : null}
          </ScrollView>
          <View style={styles.bar}>
            {trail.length > 1 ? (
              <Press
                role="button"
                onPress={() => setTrail(trail.slice(0, -1))}
                style={styles.button}
              >
                <Words strong align="center">
                  Back
                </Words>
              </Press>
            ) : null}
            <Press role="button" onPress={onClose} style={styles.button}>
              <Words strong align="center">
                Close
              </Words>
            </Press>
          </View>
        </View>
      </View>
    </Modal>
  );
}

const sentence = (rule: string): string => `${capital(rule)}${/[.!?]$/.test(rule) ? '' : '.'}`;

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
  amount: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.medium },
  source: { borderLeftWidth: 3, borderLeftColor: colour.edge, paddingLeft: SPACE.medium },
  bar: { flexDirection: 'row', borderTopWidth: 1, borderTopColor: colour.edge, minHeight: 64 },
  button: { flex: 1 },
});
