import { StyleSheet, View } from 'react-native';
import type { Option } from './Choice';
import { choosingKeys } from './choosingKeys';
import { Press } from './Press';
import { About, Question } from './Question';
import { colour, SPACE, TOUCH } from './theme';
import { Words } from './Words';

export interface ChoicesProps<T extends string> {
  readonly question: string;
  /** Why it counts, under the question. */
  readonly why?: string;
  readonly options: readonly Option<T>[];
  readonly chosen: readonly T[];
  readonly onChoose: (chosen: readonly T[]) => void;
  readonly disabled?: boolean;
  /** An answer of none is an answer too. */
  readonly mayBeNone?: boolean;
  /** Each is to be tapped: until then it waits. */
  readonly all?: boolean;
}

/** A question with any number of answers, one tap each to put on or take off. */
export function Choices<T extends string>({
  question,
  why,
  options,
  chosen,
  onChoose,
  disabled,
  mayBeNone,
  all,
}: ChoicesProps<T>) {
  const toggle = (value: T) =>
    onChoose(chosen.includes(value) ? chosen.filter((v) => v !== value) : [...chosen, value]);
  const waits = all
    ? options.some((o) => !chosen.includes(o.value))
    : chosen.length === 0 && !mayBeNone;
  return (
    <View
      role="group"
      aria-label={question}
      style={styles.group}
      testID={waits ? 'unanswered' : 'answered'}
    >
      <Question question={question} why={why} />
      <View style={styles.rows}>
        {options.map((o, i) => {
          const on = chosen.includes(o.value);
          return (
            <Press
              key={o.value}
              role="checkbox"
              aria-label={o.label}
              aria-checked={on}
              disabled={disabled}
              onKeyDown={(e) =>
                choosingKeys(e, {
                  role: 'checkbox',
                  count: options.length,
                  at: i,
                  arrowsChoose: false,
                  choose: (n) => (disabled ? undefined : toggle(options[n]!.value)),
                })
              }
              onPress={() => toggle(o.value)}
              style={styles.row}
              pressedStyle={{ backgroundColor: colour.well }}
            >
              <View style={styles.line}>
                <View style={[styles.peg, on ? styles.pegIn : null]} />
                <View style={styles.text}>
                  <Words>{o.label}</Words>
                  <About about={o.about} />
                </View>
              </View>
            </Press>
          );
        })}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  group: { gap: SPACE.small },
  rows: { borderBottomWidth: 1, borderBottomColor: colour.hairline },
  row: {
    minHeight: TOUCH,
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
    paddingVertical: SPACE.small,
  },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.medium },
  text: { flex: 1 },
  peg: { width: 14, height: 24, borderWidth: 2, borderColor: colour.words },
  pegIn: { backgroundColor: colour.words },
});
