import {
  calculatorFault,
  CALCULATORS,
  type Calculator,
  type CalculatorField,
} from '@brook/core/bench/calculators';
import type { Figure } from '@brook/core/base/figure';
import { figureText } from '@brook/core/base/figure';
import { inOtherUnit } from '@brook/core/base/units';
import { router } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useHouseRules } from '../data/houseRules';
import { JobsLink } from '../job/frame/JobHead';
import { ActionBar } from '../ui/ActionBar';
import { Field } from '../ui/Field';
import { FigureRow } from '../ui/FigureValue';
import { Caution } from '../ui/Notice';
import { Page } from '../ui/Page';
import { Press } from '../ui/Press';
import { typedLengthMm } from '../ui/typedLength';
import { typedNumber } from '../ui/typedNumber';
import { usePageTitle } from '../ui/usePageTitle';
import { Words } from '../ui/Words';
import { colour, SPACE } from '../ui/theme';

/** The bench of small calculators, without a job: a list, and each on a page of its own. */
export function CalculatorsScreen({ of }: { readonly of?: string | undefined }) {
  const chosen = CALCULATORS.find((c) => c.id === of) ?? null;
  usePageTitle(chosen?.title ?? 'Calculators');
  return chosen ? <Calculate key={chosen.id} calculator={chosen} /> : <Choose />;
}

function Choose() {
  return (
    <Page action={<ActionBar label="Back to the jobs" onPress={() => router.replace('/')} />}>
      <View>
        <JobsLink />
        <Words size="head" heading={1}>
          Calculators
        </Words>
        <Words size="small" tone="softWords">
          Without a job. Nothing of it is kept.
        </Words>
      </View>
      <View role="list">
        {CALCULATORS.map((c) => (
          <View key={c.id} role="listitem">
            <Press
              role="link"
              aria-label={c.title}
              onPress={() => router.push(`/calculators?of=${c.id}`)}
              style={styles.row}
              pressedStyle={{ backgroundColor: colour.well }}
            >
              <Words strong>{c.title}</Words>
              <Words size="small" tone="softWords">
                {c.about}
              </Words>
            </Press>
          </View>
        ))}
      </View>
    </Page>
  );
}

function Calculate({ calculator }: { readonly calculator: Calculator }) {
  const { fields, title, about } = calculator;
  const rules = useHouseRules().data?.rules;
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const textOf = ({ key, usual, house }: CalculatorField): string =>
    typed[key] ?? String((house && rules?.[house]) ?? usual ?? '');
  const values = Object.fromEntries(fields.map((f) => [f.key, valueOf(f, textOf(f))]));
  const faultAt = (f: CalculatorField) =>
    textOf(f).trim() === '' ? null : calculatorFault(f, values[f.key]!);
  const whole = fields.every((f) => calculatorFault(f, values[f.key]!) === null);
  const answer = whole ? reckoned(calculator, values) : null;
  return (
    <Page
      action={<ActionBar label="All calculators" onPress={() => router.replace('/calculators')} />}
    >
      <View>
        <JobsLink />
        <Words size="head" heading={1}>
          {title}
        </Words>
        <Words size="small" tone="softWords">
          {about}
        </Words>
      </View>
      {fields.map((f) => (
        <Field
          key={f.key}
          label={f.what}
          {...(f.why ? { why: f.why } : {})}
          {...(f.unit ? { unit: f.unit } : {})}
          inputMode={f.unit === 'mm' ? 'text' : 'decimal'}
          value={textOf(f)}
          onChange={(text) => setTyped((t) => ({ ...t, [f.key]: text }))}
          fault={faultAt(f)}
        />
      ))}
      {answer && 'fault' in answer ? <Caution title={answer.fault} /> : null}
      {answer && 'figures' in answer ? (
        <View accessibilityLiveRegion="polite">
          {answer.figures.map((f) => (
            <FigureRow key={f.label} figure={f} text={bothUnits(f)} />
          ))}
        </View>
      ) : (
        <Words size="small" tone="softWords">
          Fill in what is asked; the answer comes by itself. Inches: with “in” behind them.
        </Words>
      )}
    </Page>
  );
}

/** A length may be typed in inches; everything else in its own unit. */
const valueOf = (field: CalculatorField, text: string): number =>
  field.unit === 'mm' ? typedLengthMm(text) : typedNumber(text);

/** Both units wherever the trade says it in two. */
function bothUnits(of: Figure): string {
  const other = inOtherUnit(of.value, of.unit);
  return other ? `${figureText(of)}, ${other}` : figureText(of);
}

function reckoned(
  { reckon }: Calculator,
  values: Readonly<Record<string, number>>,
): { readonly figures: readonly Figure[] } | { readonly fault: string } {
  try {
    return { figures: reckon(values) };
  } catch (error) {
    if (error instanceof RangeError) return { fault: error.message };
    throw error;
  }
}

const styles = StyleSheet.create({
  row: {
    alignItems: 'flex-start',
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
    paddingVertical: SPACE.small,
  },
});
