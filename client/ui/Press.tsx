import type { ReactNode } from 'react';
import { Pressable, type PressableProps, type ViewStyle } from 'react-native';
import { TOUCH } from './theme';

export interface PressProps extends Omit<PressableProps, 'style' | 'children'> {
  readonly children: ReactNode;
  readonly style?: ViewStyle | (ViewStyle | null | false | undefined)[];
  /** Added while a finger is on it. */
  readonly pressedStyle?: ViewStyle;
}

/** Anything that can be touched: never smaller than a wet glove needs. */
export function Press({ children, style, pressedStyle, ...rest }: PressProps) {
  return (
    <Pressable
      {...rest}
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
