import { StyleSheet, View } from 'react-native';
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
  return (
    <View
      role="radiogroup"
      aria-label={question}
      style={styles.group}
      testID={chosen === null && !settled ? 'unanswered' : 'answered'}
    >
      <Question question={question} why={why} compact={compact} />
      <View style={[styles.options, stacked ? styles.stacked : null]}>
        {options.map((o) => (
          <Press
            key={o.value}
            role="radio"
            aria-label={o.label}
            aria-checked={o.value === chosen}
            disabled={disabled}
            onPress={() => onChoose(o.value)}
            style={[
              styles.option,
              stacked ? styles.optionStacked : null,
              o.value === chosen ? styles.chosen : null,
            ]}
            pressedStyle={{ backgroundColor: colour.well }}
          >
            <View style={stacked ? styles.line : styles.tile}>
              {stacked ? (
                <View style={[styles.mark, o.value === chosen ? styles.markChosen : null]} />
              ) : null}
              {o.swatch ? <View style={[styles.swatch, { backgroundColor: o.swatch }]} /> : null}
              <View style={stacked ? styles.text : null}>
                <Words
                  size={
                    compact || o.swatch || options.length > 3
                      ? stacked
                        ? 'body'
                        : 'small'
                      : 'body'
                  }
                  strong={o.value === chosen}
                  align={stacked ? 'left' : 'center'}
                >
                  {o.label}
                </Words>
                <About about={o.about} />
              </View>
            </View>
          </Press>
        ))}
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
  // Side by side while a word fits; with a larger font, or on a narrow screen, in a second row.
  options: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.hair },
  stacked: { flexDirection: 'column', flexWrap: 'nowrap' },
  option: {
    flexGrow: 1,
    flexShrink: 1,
    flexBasis: 0,
    minWidth: MIN_CONTENT,
    minHeight: TOUCH,
    borderWidth: 1,
    borderColor: colour.edge,
    paddingHorizontal: SPACE.hair,
    alignItems: 'center',
  },
  optionStacked: {
    alignItems: 'stretch',
    paddingHorizontal: SPACE.medium,
    paddingVertical: SPACE.small,
    flexBasis: 'auto',
    flexGrow: 0,
  },
  chosen: { borderWidth: 3, borderColor: colour.words },
  tile: { alignItems: 'center', gap: 2, paddingVertical: SPACE.hair },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.medium },
  text: { flex: 1 },
  mark: { width: 18, height: 18, borderWidth: 2, borderColor: colour.edge },
  markChosen: { borderColor: colour.words, backgroundColor: colour.words },
  swatch: {
    width: 22,
    height: 22,
    borderRadius: 11,
    borderWidth: 1.5,
    borderColor: colour.fluidEdge,
  },
});
