import { useLayoutEffect, useRef, type KeyboardEvent, type ReactNode } from 'react';
import { Pressable, type PressableProps, type View, type ViewStyle } from 'react-native';
import { TOUCH } from './theme';
import { inOwnUnits, useUnits } from './unitChoice';

export type WebKeyDown = KeyboardEvent<HTMLElement>;

export interface PressProps extends Omit<PressableProps, 'style' | 'children'> {
  readonly children: ReactNode;
  readonly style?: ViewStyle | (ViewStyle | null | false | undefined)[];
  /** Added while a finger is on it. */
  readonly pressedStyle?: ViewStyle;
  /** It cannot be done yet, and says so, but can be reached: the keyboard passes nothing by. */
  readonly waits?: boolean;
  /** Whether what stands on it is printed, although it can be pressed. */
  readonly printed?: boolean;
  /** A key pressed while it is focused; React Native has no name for it. */
  readonly onKeyDown?: (e: WebKeyDown) => void;
}

/** Anything that can be touched: never smaller than a wet glove needs. */
export function Press({
  children,
  style,
  pressedStyle,
  printed,
  waits,
  onKeyDown,
  ...rest
}: PressProps) {
  const ref = useRef<View>(null);
  const units = useUnits();
  // React Native's web target takes whatever is disabled out of the keyboard's reach.
  useLayoutEffect(() => {
    const element = ref.current as unknown as HTMLElement | null;
    if (waits) element?.setAttribute('aria-disabled', 'true');
    else if (waits === false && !rest.disabled) element?.removeAttribute('aria-disabled');
  });
  // React Native's types know no data attributes; its web target writes them.
  const data = printed ? { dataSet: { printed: '' } } : {};
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
      {...data}
      aria-label={inOwnUnits(rest['aria-label'], units)}
      ref={ref}
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
