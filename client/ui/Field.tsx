import { useId } from 'react';
import { StyleSheet, TextInput, View, type TextInputProps } from 'react-native';
import { colour, MIN_CONTENT, NUMERAL, SPACE, TOUCH, WORD } from './theme';
import { Key } from './Key';
import { useTypedQuantity } from './typedQuantity';
import { Words } from './Words';

export interface FieldProps
  extends Pick<
    TextInputProps,
    | 'secureTextEntry'
    | 'autoComplete'
    | 'autoCapitalize'
    | 'autoFocus'
    | 'inputMode'
    | 'onSubmitEditing'
    | 'onBlur'
    | 'maxLength'
  > {
  readonly label: string;
  /** As it is read aloud, where the label alone does not say what it is of. */
  readonly spoken?: string;
  readonly why?: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly unit?: string;
  /** Set where the unit is chosen beside it: what is typed is in that. */
  readonly unitAsSaid?: true;
  /** What is wrong with it and what would be right. */
  readonly fault?: string | null | undefined;
  /** Its own, where something else leads to it. */
  readonly id?: string;
  /** The key that leads to it, shown beside its label. */
  readonly shortcut?: string;
  /** A number that is read at arm’s length: its label at the left, the number large at the right. */
  readonly large?: boolean;
}

/** One typed entry, in the units of who types, with its label and, when it cannot be right, one sentence. */
export function Field({
  label,
  spoken = label,
  why,
  value: held,
  onChange: hold,
  unit: asked,
  fault,
  large,
  id: ownId,
  shortcut,
  unitAsSaid,
  ...input
}: FieldProps) {
  const id = useId();
  const { value, onChange, unit } = useTypedQuantity(held, hold, asked, unitAsSaid);
  const said = { why: `${id}-why`, unit: `${id}-unit`, fault: `${id}-fault` };
  const about = (
    <View style={large ? styles.aside : null}>
      <Words strong>
        {label}
        {shortcut ? <Key>{shortcut}</Key> : null}
      </Words>
      {why ? (
        <Words size="small" tone="softWords" nativeID={said.why}>
          {why}
        </Words>
      ) : null}
    </View>
  );
  return (
    <View style={styles.field}>
      {large ? null : about}
      <View style={[styles.line, large ? styles.foot : null]}>
        {large ? about : null}
        <TextInput
          {...input}
          nativeID={ownId}
          value={value}
          onChangeText={onChange}
          aria-label={spoken}
          aria-invalid={Boolean(fault)}
          aria-describedby={
            [unit && said.unit, why && said.why, fault && said.fault].filter(Boolean).join(' ') ||
            undefined
          }
          style={[styles.input, large ? styles.large : null, fault ? styles.faulty : null]}
        />
        {unit ? <Words nativeID={said.unit}>{unit}</Words> : null}
      </View>
      {fault ? (
        <Words
          size="small"
          tone="stop"
          strong
          accessibilityLiveRegion="polite"
          nativeID={said.fault}
        >
          {fault}
        </Words>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  field: { gap: SPACE.hair },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.small },
  input: {
    ...WORD.body,
    flex: 1,
    minWidth: 0,
    minHeight: TOUCH,
    color: colour.words,
    borderWidth: 1,
    borderColor: colour.edge,
    backgroundColor: colour.ground,
    paddingHorizontal: SPACE.medium,
  },
  aside: { flex: 1, minWidth: MIN_CONTENT, paddingBottom: SPACE.small },
  foot: { alignItems: 'flex-end' },
  large: {
    ...NUMERAL.large,
    flex: 0,
    flexBasis: 168,
    textAlign: 'right',
    borderWidth: 0,
    borderBottomWidth: 3,
    borderColor: colour.words,
    backgroundColor: colour.well,
  },
  faulty: { borderWidth: 3, borderColor: colour.stop },
});
