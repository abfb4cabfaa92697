import { StyleSheet, View } from 'react-native';
import { choosingKeys } from './choosingKeys';
import { Press } from './Press';
import { About, Question } from './Question';
import { colour, MIN_CONTENT, SPACE, TOUCH } from './theme';
import { Words } from './Words';

export interface Option<T extends string> {
  readonly value: T;
  readonly label: string;
  /** A line under the label: what it means. */
  readonly about?: string;
  /** Colour of a fluid, shown as a round swatch beside the word. */
  readonly swatch?: string;
}

export interface ChoiceProps<T extends string> {
  readonly question: string;
  /** As it is read aloud, where the question alone does not say what it is of. */
  readonly spoken?: string;
  /** Why it counts, under the question. */
  readonly why?: string;
  readonly options: readonly Option<T>[];
  readonly chosen: T | null;
  readonly onChoose: (value: T) => void;
  /** What is wrong with the answer, in one sentence. */
  readonly fault?: string | null;
  /** One below the other instead of side by side. */
  readonly stacked?: boolean;
  /** Smaller question, as within a run. */
  readonly compact?: boolean;
  readonly disabled?: boolean;
  /** Whether it counts as answered even with nothing chosen here. */
  readonly settled?: boolean;
}

/** A question with a few answers, one tap each. */
export function Choice<T extends string>({
  question,
  spoken = question,
  why,
  options,
  chosen,
  onChoose,
  fault,
  stacked,
  compact,
  disabled,
  settled,
}: ChoiceProps<T>) {
  // One stop for the keyboard: at the answer that is chosen, else at the first.
  const focusable = Math.max(
    0,
    options.findIndex((o) => o.value === chosen),
  );
  return (
    <View
      role="radiogroup"
      aria-label={spoken}
      style={styles.group}
      testID={chosen === null && !settled ? 'unanswered' : 'answered'}
    >
      <Question question={question} why={why} compact={compact} />
      <View style={stacked ? styles.rows : styles.bar}>
        {options.map((o, i) => {
          const on = o.value === chosen;
          const tone = on ? 'ground' : 'words';
          return (
            <Press
              key={o.value}
              role="radio"
              aria-label={o.label}
              aria-checked={on}
              disabled={disabled}
              tabIndex={i === focusable ? 0 : -1}
              onKeyDown={(e) =>
                choosingKeys(e, {
                  role: 'radio',
                  count: options.length,
                  at: i,
                  arrowsChoose: !settled,
                  choose: (n) => (disabled ? undefined : onChoose(options[n]!.value)),
                })
              }
              onPress={() => onChoose(o.value)}
              style={[
                stacked ? styles.row : styles.part,
                !stacked && i > 0 ? styles.next : null,
                on ? styles.chosen : null,
              ]}
              pressedStyle={on ? {} : { backgroundColor: colour.well }}
            >
              <View style={stacked ? styles.line : styles.tile}>
                {o.swatch ? (
                  <View
                    style={[
                      styles.swatch,
                      on ? styles.swatchOnInk : null,
                      { backgroundColor: o.swatch },
                    ]}
                  />
                ) : null}
                <View style={stacked ? styles.text : null}>
                  <Words
                    size={
                      !stacked && (compact || o.swatch || options.length > 3) ? 'small' : 'body'
                    }
                    tone={tone}
                    strong={!stacked}
                    align={stacked ? 'left' : 'center'}
                  >
                    {o.label}
                  </Words>
                  <About about={o.about} tone={on ? 'ground' : 'softWords'} />
                </View>
              </View>
            </Press>
          );
        })}
      </View>
      {fault ? (
        <Words size="small" tone="stop" strong accessibilityLiveRegion="polite">
          {fault}
        </Words>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  group: { gap: SPACE.small },
  // The parts of one bar while a word fits; with a larger font, or on a narrow screen, in a second row.
  bar: { flexDirection: 'row', flexWrap: 'wrap', borderWidth: 1.5, borderColor: colour.words },
  part: {
    flexGrow: 1,
    flexShrink: 1,
    flexBasis: 0,
    minWidth: MIN_CONTENT,
    minHeight: TOUCH,
    paddingHorizontal: SPACE.hair,
    alignItems: 'center',
  },
  next: { borderLeftWidth: 1.5, borderLeftColor: colour.words },
  rows: { borderBottomWidth: 1, borderBottomColor: colour.hairline },
  row: {
    minHeight: TOUCH,
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
    paddingHorizontal: SPACE.medium,
    paddingVertical: SPACE.small,
  },
  chosen: { backgroundColor: colour.words },
  tile: { alignItems: 'center', gap: 2, paddingVertical: SPACE.hair },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.medium },
  text: { flex: 1 },
  swatch: {
    width: 22,
    height: 22,
    borderRadius: 11,
    borderWidth: 1.5,
    borderColor: colour.fluidEdge,
  },
  swatchOnInk: { borderColor: colour.ground },
});
