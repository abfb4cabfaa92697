import { useMemo } from 'react';
import Svg, { Path, Rect } from 'react-native-svg';
import { qrPath } from './qrPath';
import { QR_COLOURS } from './theme/qr';

/** A text for another phone's camera. */
export function QrCode({
  text,
  label,
  sidePx,
}: {
  readonly text: string;
  readonly label: string;
  readonly sidePx: number;
}) {
  const { side, d } = useMemo(() => qrPath(text), [text]);
  return (
    <Svg
      width={sidePx}
      height={sidePx}
      viewBox={`0 0 ${side} ${side}`}
      role="img"
      aria-label={label}
    >
      <Rect width={side} height={side} fill={QR_COLOURS.light} />
      <Path d={d} fill={QR_COLOURS.dark} />
    </Svg>
  );
}
