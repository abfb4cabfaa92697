import type { KeyboardEvent, ReactNode } from 'react';
import { Pressable, type PressableProps, type ViewStyle } from 'react-native';
import { TOUCH } from './theme';

export interface PressProps extends Omit<PressableProps, 'style' | 'children'> {
  readonly children: ReactNode;
  readonly style?: ViewStyle | (ViewStyle | null | false | undefined)[];
  /** Added while a finger is on it. */
  readonly pressedStyle?: ViewStyle;
}

/** A held Enter is one press: browsers press a button anew at every repeat. React Native has no name for it. */
const HELD_ENTER = {
  onKeyDown: (e: KeyboardEvent<HTMLElement>) => {
    if (e.repeat && e.key === 'Enter') e.preventDefault();
  },
};

/** Anything that can be touched: never smaller than a wet glove needs. */
export function Press({ children, style, pressedStyle, ...rest }: PressProps) {
  return (
    <Pressable
      {...rest}
      {...HELD_ENTER}
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
