import type { KeyboardEvent, ReactNode } from 'react';
import { Pressable, type PressableProps, type ViewStyle } from 'react-native';
import { TOUCH } from './theme';

export type WebKeyDown = KeyboardEvent<HTMLElement>;

export interface PressProps extends Omit<PressableProps, 'style' | 'children'> {
  readonly children: ReactNode;
  readonly style?: ViewStyle | (ViewStyle | null | false | undefined)[];
  /** Added while a finger is on it. */
  readonly pressedStyle?: ViewStyle;
  /** A key pressed while it is focused; React Native has no name for it. */
  readonly onKeyDown?: (e: WebKeyDown) => void;
}

/** Anything that can be touched: never smaller than a wet glove needs. */
export function Press({ children, style, pressedStyle, onKeyDown, ...rest }: PressProps) {
  const keys = {
    onKeyDown: (e: WebKeyDown) => {
      // A held Enter is one press: browsers press a button anew at every repeat.
      if (e.repeat && e.key === 'Enter') e.preventDefault();
      if (onKeyDown) return onKeyDown(e);
      // Space chooses an answer, as everywhere, and counts nothing meanwhile.
      if (e.key === ' ' && (rest.role === 'radio' || rest.role === 'checkbox')) {
        e.preventDefault();
        e.stopPropagation();
        if (!e.repeat && !rest.disabled) rest.onPress?.(e as never);
      }
    },
  };
  return (
    <Pressable
      {...rest}
      {...keys}
      style={({ pressed }) => [
        { minHeight: TOUCH, justifyContent: 'center' },
        style,
        pressed ? (pressedStyle ?? { opacity: 0.6 }) : null,
      ]}
    >
      {children}
    </Pressable>
  );
}
