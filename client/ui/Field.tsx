import { useId } from 'react';
import { StyleSheet, TextInput, View, type TextInputProps } from 'react-native';
import { colour, SPACE, TOUCH, WORD } from './theme';
import { Words } from './Words';

export interface FieldProps
  extends Pick<
    TextInputProps,
    | 'secureTextEntry'
    | 'autoComplete'
    | 'autoCapitalize'
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
  /** What is wrong with it and what would be right. */
  readonly fault?: string | null | undefined;
}

/** One typed entry with its label and, when it cannot be right, one sentence. */
export function Field({
  label,
  spoken = label,
  why,
  value,
  onChange,
  unit,
  fault,
  ...input
}: FieldProps) {
  const id = useId();
  return (
    <View style={styles.field}>
      <Words strong nativeID={`${id}-label`}>
        {label}
      </Words>
      {why ? (
        <Words size="small" tone="softWords">
          {why}
        </Words>
      ) : null}
      <View style={styles.line}>
        <TextInput
          {...input}
          value={value}
          onChangeText={onChange}
          aria-label={spoken}
          aria-invalid={Boolean(fault)}
          style={[styles.input, fault ? styles.faulty : null]}
        />
        {unit ? <Words>{unit}</Words> : null}
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
  faulty: { borderWidth: 3, borderColor: colour.stop },
});
