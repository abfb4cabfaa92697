import { isActuator, type Layout } from '@brook/core/vehicle/circuit';
import type { Colour } from '@brook/core/fluid/verdict';
import { toFillMl, volumeMl, type Content, type Inside } from '@brook/core/fluid/inside';
import { useMemo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { ChartText } from '../ChartText';
import { colour, SPACE } from '../theme';
import { FLUID } from '../theme/fluid';
import { Words } from '../Words';
import { brookWords } from './brookWords';
import {
  brookGeometry,
  MARK_RADIUS,
  pathData,
  type DrawnStretch,
} from '@brook/core/vehicle/diagram';

export interface BrookProps {
  readonly layout: Layout;
  /** Bleeder ids in the order of the plan. */
  readonly order: readonly string[];
  readonly width: number;
  readonly height: number;
  readonly oldColour: Colour;
  readonly newColour: Colour;
  /** What is inside; absent means old fluid everywhere. */
  readonly inside?: Inside;
  /** Bleeder in hand. */
  readonly current?: string | null;
  readonly done?: readonly string[];
  /** A stretch or a point that is marked, and as what. */
  readonly marked?: string | null;
  readonly markedAs?: 'decides' | 'here';
  /** Elements at which something is noted: a flag beside each. */
  readonly noted?: readonly string[];
  /** Called with the element that is tapped; the same elements stand in a list beside the picture. */
  readonly onElement?: (elementId: string) => void;
  /** Whether the line of words under the picture is shown. */
  readonly caption?: boolean;
}

const NUMBERS = "'Brook Numerals', sans-serif";

/** The layout as a long profile: along, metres that the fluid runs; up, height above the ground. */
export function Brook({
  layout,
  order,
  width,
  height,
  oldColour,
  newColour,
  inside,
  current,
  done = [],
  marked,
  markedAs = 'decides',
  noted = [],
  onElement,
  caption,
}: BrookProps) {
  const g = useMemo(
    () => brookGeometry(layout, order, width, height),
    [layout, order, width, height],
  );
  const share = (id: string): Shares => sharesOf(inside?.[id]);
  const drawn = [...g.stretches.map((s) => s.stretch.id), ...g.nodes.map((n) => n.node.id)];
  const anyEmpty = drawn.some((id) => share(id).empty > 0.005);
  const anyNew = inside !== undefined && Object.values(inside).some((c) => c.newMl > 0.5);
  const shaded = (shares: Shares): string => shade(shares, oldColour, newColour);
  const reservoirs = layout.reservoirs.map((b) => share(b.id));
  const reservoir = reservoirs.every((b) => b.empty > 0.99)
    ? colour.ground
    : shaded(
        reservoirs.reduce((a, b) =>
          a.fresh / (1 - a.empty || 1) > b.fresh / (1 - b.empty || 1) ? b : a,
        ),
      );
  const body = (id: string): string => {
    const shares = share(id);
    return shares.empty > 0.5 ? colour.ground : shaded(shares);
  };
  return (
    <View>
      <Svg
        width={width}
        height={height}
        role="img"
        aria-label={brookWords({
          layout,
          order,
          done,
          ...(inside ? { inside } : {}),
          ...(current ? { current } : {}),
          ...(marked ? { marked, markedAs } : {}),
          noted,
        })}
      >
        <Line
          x1={8}
          x2={width - 8}
          y1={g.ground}
          y2={g.ground}
          stroke={colour.hairline}
          strokeWidth={1}
        />
        {g.metres.map((m) => (
          <G key={m.metre}>
            <Line
              x1={m.x}
              x2={m.x}
              y1={g.ground - 3}
              y2={g.ground + 3}
              stroke={colour.edge}
              strokeWidth={1.5}
            />
            <ChartText
              x={m.x}
              y={height - 4}
              unit="m"
              fontFamily={NUMBERS}
              fontSize={15}
              fontWeight="600"
              textAnchor="middle"
              fill={colour.softWords}
            >
              {`${m.metre}${m.metre === 0 ? ' m' : ''}`}
            </ChartText>
          </G>
        ))}
        {g.bleeders.map((b) => (
          <Path
            key={b.id}
            d={pathData([b.at, { x: b.mark.x, y: b.mark.y - MARK_RADIUS }])}
            stroke={colour.edge}
            strokeWidth={1.5}
            fill="none"
          />
        ))}
        {g.stretches.map((s) => (
          <Path
            key={s.stretch.id}
            d={pathData([s.from, s.to])}
            stroke={colour.fluidEdge}
            strokeWidth={casing(s)}
            strokeLinecap="round"
            fill="none"
          />
        ))}
        {g.stretches.map((s) => (
          <Fluid
            key={s.stretch.id}
            drawn={s}
            shares={share(s.stretch.id)}
            oldColour={oldColour}
            newColour={newColour}
          />
        ))}
        {g.nodes.map(({ node, at }) => {
          if (node.kind === 'modulator') {
            return (
              <Rect
                key={node.id}
                x={at.x - 9}
                y={at.y - 7}
                width={18}
                height={14}
                fill={body(node.id)}
                stroke={colour.fluidEdge}
                strokeWidth={2.5}
              />
            );
          }
          if (node.kind === 'valve') {
            return (
              <Path
                key={node.id}
                d={`M${at.x - 8} ${at.y - 7}L${at.x + 8} ${at.y + 7}L${at.x + 8} ${at.y - 7}L${at.x - 8} ${at.y + 7}Z`}
                fill={colour.ground}
                stroke={colour.fluidEdge}
                strokeWidth={2}
              />
            );
          }
          if (node.kind === 'tee')
            return <Circle key={node.id} cx={at.x} cy={at.y} r={5} fill={colour.fluidEdge} />;
          if (isActuator(node)) {
            return (
              <Circle
                key={node.id}
                cx={at.x}
                cy={at.y}
                r={node.kind === 'wheel cylinder' ? 6 : 8}
                fill={body(node.id)}
                stroke={colour.fluidEdge}
                strokeWidth={2.5}
              />
            );
          }
          return null;
        })}
        {g.reservoirGroups.map(({ at, reservoirs, feedsDownTo }) => (
          <G key={at.y}>
            <Line
              x1={at.x}
              x2={at.x}
              y1={at.y}
              y2={feedsDownTo}
              stroke={colour.fluidEdge}
              strokeWidth={4}
            />
            <Rect
              x={at.x - 15}
              y={at.y - 24}
              width={30}
              height={26}
              rx={7}
              fill={colour.ground}
              stroke={colour.fluidEdge}
              strokeWidth={2}
            />
            <Rect x={at.x - 12} y={at.y - 13} width={24} height={12} rx={4} fill={reservoir} />
            {reservoirs > 1 ? (
              <Line
                x1={at.x}
                x2={at.x}
                y1={at.y - 22}
                y2={at.y}
                stroke={colour.fluidEdge}
                strokeWidth={2}
              />
            ) : null}
          </G>
        ))}
        {g.stretches
          .filter((s) => s.stretch.id === marked)
          .map((s) => (
            <Marked key={s.stretch.id} drawn={s} word={markedAs} />
          ))}
        {g.nodes
          .filter((n) => n.node.id === marked)
          .map(({ node, at }) => (
            <Circle
              key={node.id}
              cx={at.x}
              cy={at.y}
              r={15}
              fill="none"
              stroke={colour.words}
              strokeWidth={3}
            />
          ))}
        {g.bleeders.map((b) => {
          const filled = b.id === current;
          const through = done.includes(b.id);
          const quiet = through || b.number === null;
          return (
            <G key={b.id}>
              <Circle
                cx={b.mark.x}
                cy={b.mark.y}
                r={MARK_RADIUS}
                fill={filled ? colour.words : colour.ground}
                stroke={quiet ? colour.edge : colour.words}
                strokeWidth={2}
              />
              <ChartText
                x={b.mark.x}
                y={b.mark.y + 6}
                fontFamily={NUMBERS}
                fontSize={17}
                fontWeight="600"
                textAnchor="middle"
                fill={filled ? colour.ground : colour.words}
              >
                {through && b.number !== null ? '✓' : String(b.number ?? '–')}
              </ChartText>
            </G>
          );
        })}
        {flagsOf(g, noted).map(({ id, at }) => (
          <Path
            key={id}
            d={`M${at.x} ${at.y}v-16l11 4l-11 5`}
            fill={colour.words}
            stroke={colour.words}
            strokeWidth={2}
          />
        ))}
        {onElement ? <Touch geometry={g} onElement={onElement} /> : null}
      </Svg>
      {caption ? (
        <View style={{ paddingHorizontal: SPACE.small }}>
          <Words size="small" tone="softWords">
            {`Along: the way the fluid runs. Up: height. Dotted: old, ${oldColour}${anyNew ? `. Plain: new, ${newColour}` : ''}${anyEmpty ? '. Hollow: empty' : ''}.`}
          </Words>
        </View>
      ) : null}
    </View>
  );
}

/** Where a flag stands: at the right of what is noted there. */
function flagsOf(
  g: ReturnType<typeof brookGeometry>,
  noted: readonly string[],
): { readonly id: string; readonly at: { readonly x: number; readonly y: number } }[] {
  const beside = (id: string, at: { readonly x: number; readonly y: number }) => ({
    id,
    at: { x: at.x + 10, y: at.y - 4 },
  });
  return [...new Set(noted)].flatMap((id) => {
    const bleeder = g.bleeders.find((b) => b.id === id);
    if (bleeder) return [beside(id, { x: bleeder.mark.x, y: bleeder.mark.y - MARK_RADIUS + 4 })];
    const node = g.nodes.find((n) => n.node.id === id);
    if (node) return [beside(id, node.at)];
    const stretch = g.stretches.find((s) => s.stretch.id === id);
    if (stretch)
      return [
        beside(id, {
          x: (stretch.from.x + stretch.to.x) / 2,
          y: (stretch.from.y + stretch.to.y) / 2,
        }),
      ];
    // Masters and reservoirs stand where the reservoirs are drawn.
    const [reservoir] = g.reservoirGroups;
    return reservoir ? [beside(id, reservoir.at)] : [];
  });
}

/** What can be tapped: each stretch as wide as a finger, over it each point. */
function Touch({
  geometry: g,
  onElement,
}: {
  readonly geometry: ReturnType<typeof brookGeometry>;
  readonly onElement: (elementId: string) => void;
}) {
  return (
    <G>
      {g.stretches.map((s) => (
        <Path
          key={s.stretch.id}
          testID={`touch-${s.stretch.id}`}
          d={pathData([s.from, s.to])}
          stroke="transparent"
          strokeWidth={26}
          fill="none"
          onPress={() => onElement(s.stretch.id)}
        />
      ))}
      {g.nodes.map(({ node, at }) => (
        <Circle
          key={node.id}
          testID={`touch-${node.id}`}
          cx={at.x}
          cy={at.y}
          r={16}
          fill="transparent"
          onPress={() => onElement(node.id)}
        />
      ))}
    </G>
  );
}

/** Shares of a part that are new and empty, 0 to 1; the rest is old. */
interface Shares {
  readonly fresh: number;
  readonly empty: number;
}

function sharesOf(content: Content | undefined): Shares {
  if (!content) return { fresh: 0, empty: 0 };
  const ml = volumeMl(content);
  return { fresh: content.newMl / ml, empty: toFillMl(content) / ml };
}

/** Old share of the fluid in a part, 0 to 1. */
const oldShare = ({ fresh, empty }: Shares): number =>
  empty < 0.995 ? Math.max(0, Math.min(1, 1 - fresh / (1 - empty))) : 0;

/** The colour of what a part holds: shaded from new to old by its share of old. */
const shade = (shares: Shares, oldColour: Colour, newColour: Colour): string =>
  `color-mix(in oklab, ${FLUID[oldColour]} ${Math.round(100 * oldShare(shares))}%, ${FLUID[newColour]})`;

/** Each stretch is shaded by its share of old and dotted as densely, so that new fluid follows from the master outward and the picture does not rest on colour alone; what is empty is drawn hollow. */
function Fluid({
  drawn,
  shares,
  oldColour,
  newColour,
}: {
  readonly drawn: DrawnStretch;
  readonly shares: Shares;
  readonly oldColour: Colour;
  readonly newColour: Colour;
}) {
  const { empty } = shares;
  const end = {
    x: drawn.from.x + (drawn.to.x - drawn.from.x) * (1 - empty),
    y: drawn.from.y + (drawn.to.y - drawn.from.y) * (1 - empty),
  };
  const thick = casing(drawn) - 3;
  const old = oldShare(shares);
  return (
    <G>
      {empty > 0.005 ? (
        <Path
          d={pathData([end, drawn.to])}
          stroke={colour.ground}
          strokeWidth={thick}
          strokeLinecap="round"
          fill="none"
        />
      ) : null}
      {empty < 0.995 ? (
        <Path
          d={pathData([drawn.from, end])}
          stroke={shade(shares, oldColour, newColour)}
          strokeWidth={thick}
          strokeLinecap="round"
          fill="none"
        />
      ) : null}
      {empty < 0.995 && old > 0.05 ? (
        <Path
          d={pathData([drawn.from, end])}
          stroke={oldColour === 'clear' || oldColour === 'straw' ? FLUID.black : FLUID.clear}
          strokeWidth={1.4}
          // The dots stand the closer the older it is.
          strokeDasharray={`0.1 ${(6 / Math.max(0.2, old)).toFixed(1)}`}
          strokeLinecap="round"
          fill="none"
        />
      ) : null}
    </G>
  );
}

/** Marks one stretch: an ink bar along it with feet, and the word. */
function Marked({
  drawn: { from, to },
  word,
}: {
  readonly drawn: DrawnStretch;
  readonly word: string;
}) {
  const length = Math.hypot(to.x - from.x, to.y - from.y) || 1;
  const away = { x: ((to.y - from.y) / length) * 13, y: (-(to.x - from.x) / length) * 13 };
  const [a, b] = [
    { x: from.x + away.x, y: from.y + away.y },
    { x: to.x + away.x, y: to.y + away.y },
  ];
  const foot = (p: { x: number; y: number }) =>
    pathData([{ x: p.x - away.x * 0.4, y: p.y - away.y * 0.4 }, p]);
  return (
    <G>
      <Path
        d={`${foot(a)}${pathData([a, b])}${foot(b)}`}
        stroke={colour.words}
        strokeWidth={3}
        fill="none"
      />
      {(['halo', 'word'] as const).map((layer) => (
        <ChartText
          key={layer}
          x={(a.x + b.x) / 2 + away.x * 0.6}
          y={(a.y + b.y) / 2 + away.y * 0.6}
          fontFamily={NUMBERS}
          fontSize={15}
          fontWeight="600"
          textAnchor={away.x < 0 ? 'end' : 'start'}
          fill={layer === 'halo' ? 'none' : colour.words}
          stroke={layer === 'halo' ? colour.ground : 'none'}
          strokeWidth={5}
        >
          {word}
        </ChartText>
      ))}
    </G>
  );
}

/** Circuits differ in width, so that two lines side by side are told apart. */
const WIDTHS = [9, 7, 8, 6];
const casing = (s: DrawnStretch): number => WIDTHS[s.circuit % WIDTHS.length]!;
