import { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { ChartText } from '../../ui/ChartText';
import { CHART_LABEL, colour } from '../../ui/theme';

/** What a line of these drawings is made of: each is 300 wide and 150 high. */
export const INK = { stroke: colour.words, strokeWidth: 3, fill: 'none' } as const;
const THIN = { ...INK, strokeWidth: 2 } as const;
const GHOST = { ...INK, stroke: colour.hairline } as const;
const MOVES = { stroke: colour.action, strokeWidth: 3, fill: 'none' } as const;

interface At {
  readonly x: number;
  readonly y: number;
}

export function Note({ x, y, words }: At & { readonly words: string }) {
  return (
    <ChartText x={x} y={y} fill={colour.softWords} {...CHART_LABEL}>
      {words}
    </ChartText>
  );
}

/** Which way something goes, with its head at the end. */
export function Goes({ from, to }: { readonly from: At; readonly to: At }) {
  const along = Math.atan2(to.y - from.y, to.x - from.x);
  const barb = (turn: number) =>
    `M ${to.x} ${to.y} L ${to.x - 9 * Math.cos(along + turn)} ${to.y - 9 * Math.sin(along + turn)}`;
  return (
    <Path
      d={`M ${from.x} ${from.y} L ${to.x} ${to.y} ${barb(0.5)} ${barb(-0.5)}`}
      {...MOVES}
      strokeLinecap="round"
    />
  );
}

/** What should be heard or felt: rays from a place. */
export function Rays({ x, y }: At) {
  return (
    <Path
      d={[-60, -20, 20, 60]
        .map((deg) => {
          const a = ((deg - 90) * Math.PI) / 180;
          const at = (r: number) => `${x + r * Math.cos(a)} ${y + r * Math.sin(a)}`;
          return `M ${at(10)} L ${at(22)}`;
        })
        .join(' ')}
      {...THIN}
    />
  );
}

/** A pedal from the side: pushed by 0 at rest to 1 at the floor, its rest as a hairline. */
export function SmallPedal({ x, y, pushed }: At & { readonly pushed: number }) {
  const pad = (share: number) => {
    const angle = ((-32 + share * 60) * Math.PI) / 180;
    return { x: x + 84 * Math.sin(angle), y: y + 84 * Math.cos(angle) };
  };
  const [rest, here, floor] = [pad(0), pad(pushed), pad(1)];
  return (
    <G>
      <Line x1={floor.x + 22} y1={y + 44} x2={floor.x + 6} y2={y + 104} {...INK} />
      {pushed > 0 ? <Line x1={x} y1={y} x2={rest.x} y2={rest.y} {...GHOST} /> : null}
      <Line x1={x} y1={y} x2={here.x} y2={here.y} {...INK} strokeWidth={5} strokeLinecap="round" />
      <Circle cx={x} cy={y} r={4} fill={colour.words} />
      <Line
        x1={here.x - 3}
        y1={here.y - 13}
        x2={here.x + 5}
        y2={here.y + 12}
        {...INK}
        strokeWidth={8}
      />
    </G>
  );
}

/** A lever and its bar from above: pulled by 0 at rest to 1 at the bar. */
export function SmallLever({ x, y, pulled }: At & { readonly pulled: number }) {
  const tip = (share: number) => y - 52 + share * 40;
  return (
    <G>
      <Line
        x1={x - 20}
        y1={y}
        x2={x + 100}
        y2={y}
        {...INK}
        strokeWidth={12}
        strokeLinecap="round"
      />
      <Circle cx={x} cy={y - 26} r={5} fill={colour.words} />
      {pulled > 0 ? <Line x1={x} y1={y - 26} x2={x + 92} y2={tip(0)} {...GHOST} /> : null}
      <Line
        x1={x}
        y1={y - 26}
        x2={x + 92}
        y2={tip(pulled)}
        {...INK}
        strokeWidth={5}
        strokeLinecap="round"
      />
    </G>
  );
}

/** A car from the side, on the ground; where it stood as a hairline when it moved on. */
export function SmallCar({ x, y, movedBy = 0 }: At & { readonly movedBy?: number }) {
  const outline = (at: number) =>
    `M ${at} ${y - 12} V ${y - 26} L ${at + 10} ${y - 34} H ${at + 34} L ${at + 48} ${y - 52} H ${at + 84} L ${at + 98} ${y - 34} L ${at + 118} ${y - 28} V ${y - 12} Z`;
  const here = x + movedBy;
  return (
    <G>
      <Line x1={x - 16} y1={y} x2={x + 158} y2={y} {...THIN} />
      {movedBy > 0 ? <Path d={outline(x)} {...GHOST} strokeDasharray="5 4" /> : null}
      <Path d={outline(here)} {...INK} />
      <Circle cx={here + 26} cy={y - 11} r={11} {...INK} fill={colour.ground} />
      <Circle cx={here + 92} cy={y - 11} r={11} {...INK} fill={colour.ground} />
    </G>
  );
}

/** A motorcycle from the side, on its wheels; somebody astride where it runs. */
export function SmallMotorcycle({ x, y, rider = false }: At & { readonly rider?: boolean }) {
  return (
    <G>
      <Line x1={x - 30} y1={y} x2={x + 160} y2={y} {...THIN} />
      <Circle cx={x} cy={y - 22} r={20} {...INK} />
      <Circle cx={x + 100} cy={y - 22} r={20} {...INK} />
      <Path
        d={`M ${x} ${y - 22} L ${x + 46} ${y - 26} L ${x + 78} ${y - 60} M ${x + 100} ${y - 22} L ${x + 74} ${y - 72} L ${x + 64} ${y - 76} M ${x - 8} ${y - 58} H ${x + 34} L ${x + 46} ${y - 64} H ${x + 74}`}
        {...INK}
      />
      <Rect x={x + 34} y={y - 48} width={26} height={24} {...THIN} />
      {rider ? (
        <Path
          d={`M ${x + 22} ${y - 60} L ${x + 32} ${y - 98} L ${x + 64} ${y - 78} M ${x + 22} ${y - 60} L ${x + 48} ${y - 52} L ${x + 42} ${y - 22}`}
          {...THIN}
        />
      ) : null}
      {rider ? <Circle cx={x + 36} cy={y - 108} r={9} {...THIN} /> : null}
    </G>
  );
}

/** A needle on a half round scale, 0 at the left end to 1 at the right. */
export function Dial({ x, y, share }: At & { readonly share: number }) {
  const angle = Math.PI * (1 - share);
  return (
    <G>
      <Path d={`M ${x - 36} ${y} A 36 36 0 0 1 ${x + 36} ${y}`} {...INK} />
      <Line
        x1={x}
        y1={y}
        x2={x + 28 * Math.cos(angle)}
        y2={y - 28 * Math.sin(angle)}
        {...INK}
        strokeLinecap="round"
      />
      <Circle cx={x} cy={y} r={3} fill={colour.words} />
    </G>
  );
}

/** A toothed wheel. */
export function Gear({ x, y }: At) {
  return (
    <G>
      <Circle cx={x} cy={y} r={19} {...INK} strokeWidth={6} strokeDasharray="6 6" />
      <Circle cx={x} cy={y} r={15} {...THIN} />
      <Circle cx={x} cy={y} r={4} {...THIN} />
    </G>
  );
}
