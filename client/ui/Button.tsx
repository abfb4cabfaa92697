import { StyleSheet } from 'react-native';
import { Press } from './Press';
import { colour, SPACE } from './theme';
import { Words } from './Words';

export interface ButtonProps {
  readonly label: string;
  readonly onPress: () => void;
  readonly disabled?: boolean;
  /** What a screen reader says instead of the label, where the label alone is not enough. */
  readonly spoken?: string;
  /** In small words, where it stands beside another one. */
  readonly small?: boolean;
}

/** Something that can be done beside the next action: an outline, no colour of its own. */
export function Button({ label, onPress, disabled, spoken, small }: ButtonProps) {
  return (
    <Press
      role="button"
      aria-label={spoken ?? label}
      disabled={disabled}
      onPress={onPress}
      style={styles.button}
      pressedStyle={{ backgroundColor: colour.well }}
    >
      <Words
        size={small ? 'small' : 'body'}
        strong
        align="center"
        tone={disabled ? 'softWords' : 'words'}
      >
        {label}
      </Words>
    </Press>
  );
}

const styles = StyleSheet.create({
  button: { borderWidth: 1, borderColor: colour.edge, paddingHorizontal: SPACE.medium },
});
