import { Text } from 'react-native';
import { colour, NUMERAL } from './theme';

export interface NumeralProps {
  readonly children: string;
  readonly size?: keyof typeof NUMERAL;
  readonly tone?: 'words' | 'softWords' | 'onAction' | 'ground';
  readonly label?: string;
}

/** A number in tabular figures. */
export function Numeral({ children, size = 'row', tone = 'words', label }: NumeralProps) {
  return (
    <Text accessibilityLabel={label} style={[NUMERAL[size], { color: colour[tone] }]}>
      {children}
    </Text>
  );
}
