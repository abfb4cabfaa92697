import { StyleSheet } from 'react-native';
import { Press } from './Press';
import { Sheet } from './Sheet';
import { colour } from './theme';
import { goAnyway, stay, useAskedToLeave } from './unsaved';
import { Words } from './Words';

/** Asked on every way out of a page that holds what nobody saved. */
export function LeaveQuestion() {
  if (!useAskedToLeave()) return null;
  return (
    <Sheet
      label="Leave without saving?"
      onClose={stay}
      bar={
        <>
          <Press role="button" onPress={goAnyway} style={styles.button}>
            <Words strong align="center">
              Drop it and leave
            </Words>
          </Press>
          <Press
            role="button"
            onPress={stay}
            style={[styles.button, styles.stay]}
            pressedStyle={{ backgroundColor: colour.actionPressed }}
          >
            <Words strong tone="onAction" align="center">
              Stay here
            </Words>
          </Press>
        </>
      }
    >
      <Words size="head" heading={2}>
        Leave without saving?
      </Words>
      <Words>What you changed on this page is not saved.</Words>
    </Sheet>
  );
}

const styles = StyleSheet.create({
  button: { flex: 1 },
  stay: { backgroundColor: colour.action },
});
