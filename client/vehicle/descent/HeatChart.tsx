import type { HeatRun } from '@brook/core/fluid/vapour';
import { View } from 'react-native';
import Svg, { Line, Path } from 'react-native-svg';
import { ChartText } from '../../ui/ChartText';
import { CHART_LABEL, colour } from '../../ui/theme';
import { inOwnUnits, useUnits } from '../../ui/unitChoice';
import { Words } from '../../ui/Words';

const EDGE = { left: 40, right: 10, top: 14, bottom: 24 };
const HEIGHT = 190;
/** Points drawn of each curve; more cannot be told apart. */
const POINTS = 160;

/** Disc and fluid over the descent and the quarter of an hour after it, with the boiling point drawn in. */
export function HeatChart({
  heat,
  boilingC,
  width,
}: {
  readonly heat: HeatRun;
  readonly boilingC: number;
  readonly width: number;
}) {
  const until = heat.points.at(-1)!.seconds;
  const most = Math.max(boilingC, heat.peak.fluidC, ...heat.points.map((p) => p.discC)) * 1.08;
  const x = (s: number) => EDGE.left + (s / until) * (width - EDGE.left - EDGE.right);
  const units = useUnits();
  const y = (c: number) => EDGE.top + (1 - c / most) * (HEIGHT - EDGE.top - EDGE.bottom);
  const every = Math.max(1, Math.floor(heat.points.length / POINTS));
  const thin = heat.points.filter((_, i) => i % every === 0);
  const line = (of: (p: HeatRun['points'][number]) => number) =>
    `M${thin.map((p) => `${x(p.seconds).toFixed(1)},${y(of(p)).toFixed(1)}`).join('L')}`;
  return (
    <View>
      <Svg
        width={width}
        height={HEIGHT}
        role="img"
        aria-label={inOwnUnits(
          `Disc and fluid over ${Math.round(until / 60)} minutes; the fluid is hottest at ${Math.round(heat.peak.fluidC)} °C, it boils at ${Math.round(boilingC)} °C`,
          units,
        )}
      >
        {[0, 100, 200, 300, 400, 500, 600]
          .filter((c) => c < most)
          .map((c) => (
            <ChartText
              key={c}
              x={EDGE.left - 6}
              y={y(c) + 5}
              unit="°C"
              textAnchor="end"
              fill={colour.softWords}
              {...CHART_LABEL}
            >
              {String(c)}
            </ChartText>
          ))}
        {[0, 100, 200, 300, 400, 500, 600]
          .filter((c) => c < most)
          .map((c) => (
            <Line
              key={c}
              x1={EDGE.left}
              x2={width - EDGE.right}
              y1={y(c)}
              y2={y(c)}
              stroke={colour.hairline}
              strokeWidth={1}
            />
          ))}
        <Path
          d={line((p) => p.discC)}
          fill="none"
          stroke={colour.edge}
          strokeWidth={2}
          strokeDasharray="6 4"
        />
        <Path d={line((p) => p.fluidC)} fill="none" stroke={colour.words} strokeWidth={3} />
        <Line
          x1={EDGE.left}
          x2={width - EDGE.right}
          y1={y(boilingC)}
          y2={y(boilingC)}
          stroke={colour.words}
          strokeWidth={1.5}
        />
        <ChartText
          x={width - EDGE.right}
          y={HEIGHT - 6}
          textAnchor="end"
          fill={colour.softWords}
          {...CHART_LABEL}
        >
          {`${Math.round(until / 60)} min`}
        </ChartText>
      </Svg>
      <Words size="small" tone="softWords">
        {`Thick: the fluid. Dashed: the disc. Thin: it boils at ${Math.round(boilingC)} °C.`}
      </Words>
    </View>
  );
}
