import { useEffect, useState } from 'react';
import { StyleSheet } from 'react-native';
import { Press } from './Press';
import { colour, SPACE } from './theme';
import { Words } from './Words';

/** How long it takes no press after it appears, ms: whoever taps on without looking is past that. */
export const ARMED_AFTER_MS = 1_000;

/**
 * The next action where a habit must not give the answer: it stands elsewhere
 * than the button that was pressed all the while, and takes no press in its
 * first second.
 */
export function DeliberateButton({
  label,
  onPress,
  huge,
}: {
  readonly label: string;
  readonly onPress: () => void;
  /** Where it is pressed without looking: a third of the screen. */
  readonly huge?: boolean;
}) {
  const [armed, setArmed] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setArmed(true), ARMED_AFTER_MS);
    return () => clearTimeout(timer);
  }, []);
  return (
    <Press
      role="button"
      testID="next-action"
      waits={!armed}
      onPress={armed ? onPress : undefined}
      style={[styles.button, huge ? styles.huge : null, armed ? styles.ready : styles.waiting]}
      pressedStyle={armed ? { backgroundColor: colour.actionPressed } : {}}
    >
      <Words
        size={huge ? 'head' : 'body'}
        strong
        align="center"
        tone={armed ? 'onAction' : 'words'}
      >
        {label}
      </Words>
    </Press>
  );
}

const styles = StyleSheet.create({
  button: { minHeight: 72, paddingHorizontal: SPACE.medium },
  huge: { minHeight: '34%' },
  ready: { backgroundColor: colour.action },
  waiting: { backgroundColor: colour.well },
});
