import {
  CONDITION_WORDS,
  HOLD_WORDS,
  REMEDY_WORDS,
  VERDICT_WORDS,
  type FluidVerdict,
} from '@brook/core/fluid/verdict';
import { figureText, type Figure } from '@brook/core/base/figure';
import { capital, lowerFirst } from '@brook/core/base/text';
import { useFocusEffect } from 'expo-router';
import { useCallback, useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/Button';
import { StopSign, Stripes } from '../../ui/Notice';
import { Press } from '../../ui/Press';
import { Sheet } from '../../ui/Sheet';
import { colour, SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';

/** The verdict as soon as it stands, in a line or two above the action; it opens to every reason. */
export function VerdictStrip({
  verdict,
  looked,
  placeOf,
  children,
}: {
  readonly verdict: FluidVerdict;
  readonly looked: boolean;
  readonly placeOf: (point: string) => string;
  /** Every reason, in the sheet that it opens. */
  readonly children: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  // A page that is opened from the sheet is not left under it.
  useFocusEffect(useCallback(() => () => setOpen(false), []));
  const said = inShort(verdict, looked, placeOf);
  return (
    <View aria-live="polite">
      {said ? (
        <Press
          role="button"
          aria-label={`${said.title}. Why?`}
          onPress={() => setOpen(true)}
          style={styles.strip}
          pressedStyle={{ backgroundColor: colour.ground }}
        >
          <View style={styles.line}>
            {said.weight === 'stop' ? (
              <StopSign />
            ) : said.weight === 'caution' ? (
              <Stripes />
            ) : (
              <View />
            )}
            <View style={styles.text}>
              <Words strong heading={2} tone={said.weight === 'stop' ? 'stop' : 'words'}>
                {said.title}
              </Words>
              <Words size="small">{said.say}</Words>
            </View>
            <View style={styles.why}>
              <Words size="small" strong>
                Why
              </Words>
            </View>
          </View>
        </Press>
      ) : null}
      {open && said ? (
        <Sheet
          label={said.title}
          bar={
            <View style={styles.text}>
              <Button label="Close" onPress={() => setOpen(false)} />
            </View>
          }
          onClose={() => setOpen(false)}
        >
          {children}
        </Sheet>
      ) : null}
    </View>
  );
}

/** The verdict in a line or two, or null while nobody has looked. */
export function inShort(
  verdict: FluidVerdict,
  looked: boolean,
  placeOf: (point: string) => string,
): {
  readonly weight: 'stop' | 'caution' | 'plain';
  readonly title: string;
  readonly say: string;
} | null {
  const { condition, hold } = verdict;
  const first = condition?.governing[0];
  const governs = first
    ? [
        // What to do stands in the title; the rest is behind "Why".
        `${capital(placeOf(first.point))}: ${lowerFirst(CONDITION_WORDS[first.code].split('. ')[0]!).replace(/\.$/, '')}.`,
        first.margin ? `${marginWords(first.margin)}.` : null,
      ]
        .filter(Boolean)
        .join(' ')
    : '';
  if (verdict.verdict === 'stop')
    return {
      weight: 'stop',
      title: HOLD_WORDS[hold!].title,
      say: [
        hold === 'condition stops' ? governs : HOLD_WORDS[hold!].say,
        // What must not be done now is not left behind a press.
        hold === 'wrong chemistry inside' && verdict.remedy ? REMEDY_WORDS[verdict.remedy] : null,
      ]
        .filter(Boolean)
        .join(' '),
    };
  if (hold === 'water test') return { weight: 'caution', ...HOLD_WORDS[hold] };
  if (!condition || !looked) return null;
  return {
    weight:
      condition.verdict === 'good' || condition.verdict === 'not measured' ? 'plain' : 'caution',
    title: VERDICT_WORDS[condition.verdict],
    say: governs,
  };
}

/** How far from its limit, and on which side. */
const marginWords = ({ value, unit }: Figure): string =>
  value === 0
    ? 'Right at the limit'
    : `${figureText({ value: Math.abs(value), unit })} ${value < 0 ? 'past' : 'from'} the limit`;

const styles = StyleSheet.create({
  strip: { backgroundColor: colour.well, borderTopWidth: 1, borderTopColor: colour.hairline },
  line: {
    flexDirection: 'row',
    alignItems: 'stretch',
    gap: SPACE.medium,
    paddingRight: SPACE.medium,
  },
  why: { justifyContent: 'center' },
  text: { flex: 1, paddingVertical: SPACE.small },
});
