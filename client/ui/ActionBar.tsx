import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { useShortScreen } from './Page';
import { Key } from './Key';
import { Press } from './Press';
import { useShortcut } from './shortcuts';
import { colour, MIN_CONTENT, SPACE } from './theme';
import { Words } from './Words';

export interface ActionBarProps {
  /** The next thing to do, in the imperative. */
  readonly label: string;
  readonly onPress: () => void;
  readonly busy?: boolean;
  /** What stands in the way; the bar says it instead of acting. */
  readonly waitsFor?: string | null;
  /** Smaller one beside it, such as undo. */
  readonly side?: {
    readonly label: string;
    readonly onPress: () => void;
    readonly disabled?: boolean;
    /** The key that does it. */
    readonly shortcut?: string;
  } | null;
}

/** The one large action at the bottom of a phone, and one small one beside it. */
export function ActionBar({ label, onPress, busy, waitsFor, side }: ActionBarProps) {
  return (
    <Bar side={side}>
      <Press
        role="button"
        testID="next-action"
        aria-busy={busy}
        // What waits can still be reached: it says for what, and leads there.
        waits={Boolean(waitsFor)}
        disabled={busy === true}
        onPress={waitsFor ? toOpenQuestion : onPress}
        style={[styles.action, waitsFor ? styles.waiting : styles.ready]}
        pressedStyle={waitsFor ? { opacity: 0.7 } : { backgroundColor: colour.actionPressed }}
      >
        <Words strong tone={waitsFor ? 'words' : 'onAction'} align="center">
          {busy ? 'One moment …' : label}
        </Words>
        {waitsFor ? (
          <Words size="small" tone="softWords" align="center">
            {waitsFor}
          </Words>
        ) : null}
      </Press>
    </Bar>
  );
}

/** Bring the first question that nobody has answered into view, and the keyboard to it. */
function toOpenQuestion(): void {
  document.querySelector<HTMLElement>('[data-testid=unanswered] [tabindex="0"]')?.focus();
}

/** The bar without an action of its own, where a choice above is what comes next. */
export function PromptBar({
  prompt,
  side,
}: {
  readonly prompt: string;
  readonly side?: ActionBarProps['side'];
}) {
  return (
    <Bar side={side}>
      <View style={[styles.action, styles.waiting]}>
        <Words strong align="center">
          {prompt}
        </Words>
      </View>
    </Bar>
  );
}

function Bar({
  children,
  side,
}: {
  readonly children: ReactNode;
  readonly side: ActionBarProps['side'];
}) {
  useShortcut(side?.shortcut ?? '', side?.shortcut && !side.disabled ? side.onPress : null);
  return (
    <View style={[styles.bar, useShortScreen() ? styles.shortBar : null]}>
      {side ? (
        <Press
          role="button"
          disabled={side.disabled}
          onPress={side.onPress}
          style={styles.side}
          pressedStyle={{ backgroundColor: colour.well }}
        >
          <Words strong tone={side.disabled ? 'softWords' : 'words'} align="center">
            {side.label}
            {side.shortcut ? <Key>{side.shortcut}</Key> : null}
          </Words>
        </Press>
      ) : null}
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  bar: { flexDirection: 'row', minHeight: 84, borderTopWidth: 1, borderTopColor: colour.edge },
  shortBar: { minHeight: 64 },
  side: {
    flexBasis: 104,
    flexGrow: 0,
    flexShrink: 1,
    minWidth: MIN_CONTENT,
    borderRightWidth: 1,
    borderRightColor: colour.edge,
    paddingHorizontal: SPACE.small,
  },
  action: {
    flex: 1,
    minWidth: MIN_CONTENT,
    paddingHorizontal: SPACE.medium,
    paddingVertical: SPACE.small,
    justifyContent: 'center',
  },
  ready: { backgroundColor: colour.action },
  waiting: { backgroundColor: colour.well },
});
