import type { CheckItem, ControlCheck } from '@brook/core/job/items';
import { View } from 'react-native';
import Svg, { Circle, Ellipse, G, Line, Path, Rect } from 'react-native-svg';
import { FLUID } from '../../ui/theme/fluid';
import { Words } from '../../ui/Words';
import { INK, Note } from './drawn';
import { TRIED_DRAWN, type TriedDrawnProps } from './TriedDrawings';

/** What a wrong answer looks like: drawn where a drawing says more, always in words. */
export function WrongLooks({
  item,
  wrong,
  held = 'pedal',
}: {
  readonly item: CheckItem | ControlCheck;
  readonly wrong: string;
  /** By what the control is worked that is tried. */
  readonly held?: TriedDrawnProps['held'];
}) {
  const Drawing = DRAWN[item];
  return (
    <View>
      {Drawing ? (
        <View role="img" aria-label={`Drawn: ${wrong}`}>
          <Svg width="100%" viewBox="0 0 300 150" style={{ maxHeight: 190 }}>
            <Drawing held={held} />
          </Svg>
        </View>
      ) : null}
      <Words tone="softWords">{`Wrong: ${wrong}`}</Words>
    </View>
  );
}

/** A bleeder on its caliper, with a drop at the nipple. */
function WetBleeder() {
  return (
    <G>
      <Line x1={40} y1={132} x2={260} y2={132} {...INK} />
      <Path d="M 66 132 V 92 Q 72 68 100 66 H 190 Q 216 68 222 92 V 132" {...INK} />
      <Rect x={128} y={44} width={34} height={22} {...INK} />
      <Rect x={137} y={22} width={16} height={22} {...INK} />
      <Path
        d="M 163 60 q 20 2 20 24"
        stroke={FLUID.brown}
        strokeWidth={4}
        fill="none"
        strokeLinecap="round"
      />
      <Circle cx={183} cy={96} r={5} fill={FLUID.brown} />
      <Circle cx={184} cy={114} r={3.5} fill={FLUID.brown} />
      <Note x={196} y={56} words="wet looks like this" />
    </G>
  );
}

/** A reservoir filled above its upper mark. */
function OverFull() {
  return (
    <G>
      <Rect x={92} y={46} width={96} height={78} fill={FLUID.straw} />
      <Path d="M 92 24 V 124 Q 92 132 100 132 H 180 Q 188 132 188 124 V 24" {...INK} />
      <Line x1={84} y1={62} x2={196} y2={62} {...INK} strokeDasharray="6 4" />
      <Line x1={84} y1={108} x2={196} y2={108} {...INK} strokeDasharray="6 4" />
      <Note x={202} y={67} words="MAX" />
      <Note x={202} y={113} words="MIN" />
      <Note x={202} y={48} words="too full" />
    </G>
  );
}

/** A pleat of the diaphragm that hangs out under the cap. */
function PinchedDiaphragm() {
  return (
    <G>
      <Rect x={96} y={24} width={108} height={32} {...INK} />
      <Path d="M 108 58 V 126 Q 108 134 116 134 H 184 Q 192 134 192 126 V 58" {...INK} />
      <Path d="M 110 58 Q 128 78 150 64 Q 172 78 190 58" {...INK} strokeWidth={2} />
      <Path d="M 192 58 q 20 4 24 16 q -12 0 -22 -10" {...INK} strokeWidth={2} />
      <Note x={222} y={76} words="a pleat under it" />
    </G>
  );
}

/** A bleeder with its cap hanging beside it. */
function BareNipple() {
  return (
    <G>
      <Line x1={40} y1={132} x2={260} y2={132} {...INK} />
      <Path d="M 66 132 V 104 Q 72 88 100 86 H 190 Q 216 88 222 104 V 132" {...INK} />
      <Rect x={128} y={64} width={34} height={22} {...INK} />
      <Path d="M 138 64 V 40 L 142 34 H 148 L 152 40 V 64" {...INK} />
      <Path d="M 128 74 q -26 2 -24 22" {...INK} strokeWidth={2} />
      <Ellipse cx={104} cy={106} rx={11} ry={10} {...INK} />
      <Note x={166} y={50} words="bare, the cap hangs" />
    </G>
  );
}

const DRAWN: Readonly<
  Partial<Record<CheckItem | ControlCheck, (props: TriedDrawnProps) => React.JSX.Element>>
> = {
  'joints dry': WetBleeder,
  level: OverFull,
  'reservoir cap': PinchedDiaphragm,
  'bleeder caps': BareNipple,
  ...TRIED_DRAWN,
};
