import { numberIn } from '@brook/core/base/units';
import { Text as SvgText, type TextProps } from 'react-native-svg';
import { inOwnUnits, useUnits } from './unitChoice';

export interface ChartTextProps extends TextProps {
  readonly children?: string;
  /** Unit of a bare number, where it stands elsewhere. */
  readonly unit?: string | undefined;
}

/** Words in a drawing, quantities in the units of who reads them. */
export function ChartText({ children = '', unit, ...rest }: ChartTextProps) {
  const units = useUnits();
  const bare = unit !== undefined && /^[−+]?[\d.,]+$/.test(children);
  return (
    <SvgText {...rest}>
      {bare ? numberIn(children, unit, units) : inOwnUnits(children, units)}
    </SvgText>
  );
}
