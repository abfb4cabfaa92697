import type { ReactNode } from 'react';
import { Text, type TextProps, type TextStyle } from 'react-native';
import { colour, WORD, type Role } from './theme';
import { childrenInUnits, useUnits } from './unitChoice';

export interface WordsProps
  extends Pick<TextProps, 'numberOfLines' | 'accessibilityLiveRegion' | 'nativeID' | 'testID'> {
  readonly children: ReactNode;
  /** One of the three sizes; body when left out. */
  readonly size?: keyof typeof WORD;
  /** `ground` is for words on ink, where something is chosen. */
  readonly tone?: Extract<Role, 'words' | 'softWords' | 'stop' | 'onAction' | 'ground'>;
  readonly strong?: boolean;
  /** Level of a heading, or none. */
  readonly heading?: 1 | 2 | 3;
  readonly align?: TextStyle['textAlign'];
}

/** Words in one of the three sizes, quantities in the units of who reads them. */
export function Words({
  children,
  size = 'body',
  tone = 'words',
  strong,
  heading,
  align,
  ...rest
}: WordsProps) {
  const units = useUnits();
  return (
    <Text
      {...rest}
      {...(heading ? { role: 'heading' as const, 'aria-level': heading } : {})}
      style={[
        WORD[size],
        { color: colour[tone], textAlign: align },
        strong ? { fontWeight: '700' } : null,
      ]}
    >
      {childrenInUnits(children, units)}
    </Text>
  );
}
