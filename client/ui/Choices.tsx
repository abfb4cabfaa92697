import { StyleSheet, View } from 'react-native';
import type { Option } from './Choice';
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
      {options.map((o) => {
        const on = chosen.includes(o.value);
        return (
          <Press
            key={o.value}
            role="checkbox"
            aria-label={o.label}
            aria-checked={on}
            disabled={disabled}
            onPress={() => toggle(o.value)}
            style={[styles.option, on ? styles.chosen : null]}
            pressedStyle={{ backgroundColor: colour.well }}
          >
            <View style={styles.line}>
              <View style={styles.mark}>
                {on ? (
                  <Words size="small" strong>
                    ✓
                  </Words>
                ) : null}
              </View>
              <View style={styles.text}>
                <Words strong={on}>{o.label}</Words>
                <About about={o.about} />
              </View>
            </View>
          </Press>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  group: { gap: SPACE.hair },
  option: {
    minHeight: TOUCH,
    borderWidth: 1,
    borderColor: colour.edge,
    paddingHorizontal: SPACE.medium,
    paddingVertical: SPACE.small,
  },
  chosen: { borderWidth: 3, borderColor: colour.words },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.medium },
  text: { flex: 1 },
  mark: {
    width: 24,
    height: 24,
    borderWidth: 2,
    borderColor: colour.edge,
    alignItems: 'center',
    justifyContent: 'center',
  },
});
