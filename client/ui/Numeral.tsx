import { numberIn } from '@brook/core/base/units';
import { Text } from 'react-native';
import { colour, NUMERAL } from './theme';
import { inOwnUnits, useUnits } from './unitChoice';

export interface NumeralProps {
  readonly children: string;
  readonly size?: keyof typeof NUMERAL;
  readonly tone?: 'words' | 'softWords' | 'onAction' | 'ground';
  readonly label?: string;
  /** Unit of a bare number, where it stands elsewhere. */
  readonly unit?: string | undefined;
}

/** A number in tabular figures. */
export function Numeral({ children, size = 'row', tone = 'words', label, unit }: NumeralProps) {
  const units = useUnits();
  return (
    <Text
      accessibilityLabel={inOwnUnits(label, units)}
      style={[NUMERAL[size], { color: colour[tone] }]}
    >
      {unit && /\d/.test(children) ? numberIn(children, unit, units) : inOwnUnits(children, units)}
    </Text>
  );
}
