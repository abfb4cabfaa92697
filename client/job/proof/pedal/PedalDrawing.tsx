import { isSinking, type At, type Sinking } from '@brook/core/control/pedal';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path } from 'react-native-svg';
import { ChartText } from '../../../ui/ChartText';
import { CHART_LABEL, colour } from '../../../ui/theme';

/** What is read at a clutch besides its rest. */
export type ClutchAt = 'takes up' | 'free play' | 'end of travel';
/** How far it is pushed there, as it is drawn. */
const CLUTCH_SHARE: Readonly<Record<ClutchAt, number>> = {
  'free play': 0.14,
  'takes up': 0.5,
  'end of travel': 0.86,
};
const isClutchAt = (at: PedalDrawingProps['at']): at is ClutchAt =>
  typeof at === 'string' && at in CLUTCH_SHARE;

export interface PedalDrawingProps {
  readonly held: 'pedal' | 'lever';
  readonly at: At | Sinking | ClutchAt;
  readonly pumped: boolean;
  /** All the forces of this control, upwards, N: the harder, the farther it is drawn. */
  readonly forcesN: readonly number[];
}

const WIDTH = 340;
const HEIGHT = 168;

/** How far it is pushed, 0 at rest to 1 at its end, as it is drawn: a picture, no measure. */
function pushed({ at, forcesN }: PedalDrawingProps): number {
  if (at === 'rest') return 0;
  if (at === 'first resistance') return 0.22;
  if (isClutchAt(at)) return CLUTCH_SHARE[at];
  if (typeof at !== 'object') return 0.68;
  const place = forcesN.indexOf(at.forceN);
  return 0.32 + (0.36 * (place + 1)) / forcesN.length;
}

/** Where the ruler is held for one reading: the control at rest as a hairline, as it is pushed in ink, what is measured between two marks. */
export function PedalDrawing(props: PedalDrawingProps) {
  const { held, at, pumped } = props;
  const force = isClutchAt(at)
    ? at
    : typeof at === 'object'
      ? `${at.forceN} N`
      : isSinking(at)
        ? 'hold'
        : null;
  const play = at === 'free play';
  const share = pushed(props);
  return (
    <View role="img" aria-label={drawnWords(props)}>
      <Svg width="100%" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} style={{ maxHeight: 200 }}>
        {held === 'pedal' ? (
          <PedalFromTheSide
            share={share}
            force={force}
            pumped={pumped}
            sinks={!isClutchAt(at) && isSinking(at)}
            play={play}
          />
        ) : (
          <LeverFromAbove
            share={share}
            force={force}
            pumped={pumped}
            sinks={!isClutchAt(at) && isSinking(at)}
            play={play}
          />
        )}
      </Svg>
    </View>
  );
}

interface Drawn {
  readonly share: number;
  readonly force: string | null;
  readonly pumped: boolean;
  readonly sinks: boolean;
  /** Whether it is the way from its rest that is measured, not what is left. */
  readonly play: boolean;
}

const PIVOT = { x: 150, y: 8 } as const;
const ARM = 116;
/** Of the arm from upright, degrees: at rest to the left, at the floor to the right. */
const REST_DEG = -34;
const FLOOR_DEG = 30;

function padAt(share: number): { readonly x: number; readonly y: number } {
  const angle = ((REST_DEG + share * (FLOOR_DEG - REST_DEG)) * Math.PI) / 180;
  return { x: PIVOT.x + ARM * Math.sin(angle), y: PIVOT.y + ARM * Math.cos(angle) };
}

function PedalFromTheSide({ share, force, pumped, sinks, play }: Drawn) {
  const pad = padAt(share);
  const rest = padAt(0);
  const floorX = padAt(1).x + 26;
  return (
    <G>
      <Line
        x1={floorX + 14}
        y1={60}
        x2={floorX - 10}
        y2={HEIGHT - 14}
        stroke={colour.words}
        strokeWidth={3}
      />
      <ChartText x={floorX + 14} y={HEIGHT - 24} fill={colour.softWords} {...CHART_LABEL}>
        floor
      </ChartText>
      {share > 0 ? <Line {...PIVOT_END(rest)} stroke={colour.hairline} strokeWidth={3} /> : null}
      <Line {...PIVOT_END(pad)} stroke={colour.words} strokeWidth={6} strokeLinecap="round" />
      <Circle cx={PIVOT.x} cy={PIVOT.y} r={5} fill={colour.words} />
      <Path
        d={`M ${pad.x - 3} ${pad.y - 16} L ${pad.x + 6} ${pad.y + 14}`}
        stroke={colour.words}
        strokeWidth={10}
      />
      {play ? (
        <Measured from={rest.x} to={pad.x} y={rest.y + 22} />
      ) : (
        <Measured from={pad.x + 12} to={floorX} y={pad.y + 4} />
      )}
      {sinks ? <Creeps from={pad} to={padAt(share + 0.22)} /> : null}
      {force ? <Push x={pad.x - 12} y={pad.y} force={force} pumped={pumped} /> : null}
    </G>
  );
}

const PIVOT_END = ({ x, y }: { readonly x: number; readonly y: number }) => ({
  x1: PIVOT.x,
  y1: PIVOT.y,
  x2: x,
  y2: y,
});

const BAR_Y = 132;
const TIP_X = 258;

function LeverFromAbove({ share, force, pumped, sinks, play }: Drawn) {
  const tipAt = (s: number) => 24 + s * (BAR_Y - 44);
  const tip = tipAt(share);
  const [upper, lower] = play ? [tipAt(0), tip] : [tip, BAR_Y - 9];
  return (
    <G>
      <Line
        x1={20}
        y1={BAR_Y}
        x2={WIDTH - 20}
        y2={BAR_Y}
        stroke={colour.words}
        strokeWidth={16}
        strokeLinecap="round"
      />
      <ChartText x={24} y={BAR_Y + 28} fill={colour.softWords} {...CHART_LABEL}>
        bar
      </ChartText>
      <Circle cx={54} cy={84} r={7} fill={colour.words} />
      {share > 0 ? (
        <Line x1={54} y1={84} x2={TIP_X} y2={tipAt(0)} stroke={colour.hairline} strokeWidth={3} />
      ) : null}
      <Line
        x1={54}
        y1={84}
        x2={TIP_X}
        y2={tip}
        stroke={colour.words}
        strokeWidth={7}
        strokeLinecap="round"
      />
      <Line x1={TIP_X + 14} y1={upper} x2={TIP_X + 14} y2={lower} {...MARK} />
      <Line x1={TIP_X + 6} y1={upper} x2={TIP_X + 22} y2={upper} {...MARK} />
      <Line x1={TIP_X + 6} y1={lower} x2={TIP_X + 22} y2={lower} {...MARK} />
      {sinks ? (
        <Path
          d={`M ${TIP_X - 16} ${tip + 6} L ${TIP_X - 16} ${tip + 24}`}
          stroke={colour.words}
          strokeWidth={2}
          strokeDasharray="3 3"
        />
      ) : null}
      {force ? (
        <G>
          <Path
            d={`M ${TIP_X - 34} ${tip - 34} L ${TIP_X - 34} ${tip - 8} m -6 -8 l 6 8 l 6 -8`}
            stroke={colour.action}
            strokeWidth={3}
            fill="none"
          />
          <ChartText
            x={TIP_X - 46}
            y={tip - 20}
            textAnchor="end"
            fill={colour.words}
            {...CHART_LABEL}
          >
            {pumped ? `pumped, ${force}` : force}
          </ChartText>
        </G>
      ) : null}
    </G>
  );
}

const MARK = { stroke: colour.action, strokeWidth: 2 } as const;

/** What the ruler reads, between two marks. */
function Measured({
  from,
  to,
  y,
}: {
  readonly from: number;
  readonly to: number;
  readonly y: number;
}) {
  return (
    <G>
      <Line x1={from} y1={y} x2={to} y2={y} {...MARK} />
      <Line x1={from} y1={y - 8} x2={from} y2={y + 8} {...MARK} />
      <Line x1={to} y1={y - 8} x2={to} y2={y + 8} {...MARK} />
    </G>
  );
}

/** Which way it would go on by itself. */
function Creeps({
  from,
  to,
}: {
  readonly from: { readonly x: number; readonly y: number };
  readonly to: { readonly x: number; readonly y: number };
}) {
  return (
    <Path
      d={`M ${from.x} ${from.y + 22} L ${to.x} ${to.y + 22}`}
      stroke={colour.words}
      strokeWidth={2}
      strokeDasharray="3 3"
    />
  );
}

/** A foot that pushes, with how hard. */
function Push({
  x,
  y,
  force,
  pumped,
}: {
  readonly x: number;
  readonly y: number;
  readonly force: string;
  readonly pumped: boolean;
}) {
  return (
    <G>
      <Path
        d={`M ${x - 30} ${y} L ${x} ${y} m -8 -6 l 8 6 l -8 6`}
        stroke={colour.action}
        strokeWidth={3}
        fill="none"
      />
      <ChartText x={x - 34} y={y + 5} textAnchor="end" fill={colour.words} {...CHART_LABEL}>
        {force}
      </ChartText>
      {pumped ? (
        <ChartText x={x - 34} y={y + 23} textAnchor="end" fill={colour.softWords} {...CHART_LABEL}>
          pumped
        </ChartText>
      ) : null}
    </G>
  );
}

function drawnWords({ held, at, pumped }: PedalDrawingProps): string {
  const where = typeof at === 'object' ? `under ${at.forceN} N` : at === 'sink' ? 'held' : at;
  return `${held === 'pedal' ? 'Pedal from the side' : 'Lever from above'}, ${where}${pumped ? ', pumped' : ''}`;
}
