import { memo } from 'react';
import Svg, { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { ChartText } from '../../ui/ChartText';
import { CHART_LABEL, colour } from '../../ui/theme';
import { CHART_TOP as TOP, type HistoryChart } from './chart';

/** Water over the years, with the limits drawn in, the changes, and the uptake to come. */
export const ChartView = memo(function ChartView({
  chart,
  limits,
  about,
}: {
  readonly chart: HistoryChart;
  readonly limits: { readonly visit: number; readonly now: number };
  readonly about: string;
}) {
  const { width, height, marks, changes, curve, band, nowX, levels, years, y } = chart;
  const foot = height - 26;
  return (
    <Svg width={width} height={height} role="img" aria-label={about} testID="history-chart">
      {levels
        .filter((l) => l.percent !== limits.now)
        .map((l) => (
          <G key={l.percent}>
            <Line
              x1={34}
              x2={width - 12}
              y1={l.y}
              y2={l.y}
              stroke={colour.hairline}
              strokeWidth={1}
            />
            <Level at={l.y} percent={l.percent} tone={colour.softWords} />
          </G>
        ))}
      {years.map((t) => (
        <ChartText
          key={t.year}
          x={t.x}
          y={height - 6}
          textAnchor="middle"
          fill={colour.softWords}
          {...CHART_LABEL}
        >
          {String(t.year)}
        </ChartText>
      ))}
      <Path
        d={band}
        fill={colour.well}
        stroke={colour.edge}
        strokeWidth={1}
        strokeDasharray="2 3"
      />
      <Path d={curve} fill="none" stroke={colour.words} strokeWidth={2} />
      <Limit y={y(limits.visit)} width={width} percent={limits.visit} dash="7 5" />
      <Limit y={y(limits.now)} width={width} percent={limits.now} />
      {changes.map((c) => (
        <G key={c.atMs}>
          <Line
            x1={c.x}
            x2={c.x}
            y1={TOP}
            y2={foot}
            stroke={colour.words}
            strokeWidth={1.5}
            strokeDasharray="1 4"
            strokeLinecap="round"
          />
          <Rect
            x={c.x - 4}
            y={foot - 4}
            width={8}
            height={8}
            fill={colour.ground}
            stroke={colour.words}
            strokeWidth={2}
            transform={`rotate(45 ${c.x} ${foot})`}
          />
        </G>
      ))}
      <Line x1={nowX} x2={nowX} y1={TOP} y2={foot} stroke={colour.edge} strokeWidth={1} />
      {/* Above the picture, where no curve comes. */}
      <ChartText x={nowX} y={TOP - 8} textAnchor="middle" fill={colour.softWords} {...CHART_LABEL}>
        today
      </ChartText>
      <Circle cx={nowX} cy={foot} r={3} fill={colour.edge} />
      <Path d={marks.reservoir} fill={colour.ground} stroke={colour.words} strokeWidth={2} />
      <Path d={marks.bleeder} fill={colour.words} />
      <Path d={marks.boiling} fill={colour.ground} stroke={colour.words} strokeWidth={2} />
    </Svg>
  );
});

/** A limit across the picture; which it is stands at its left end, off the curve, and in words below. */
function Limit({
  y,
  width,
  percent,
  dash,
}: {
  readonly y: number;
  readonly width: number;
  readonly percent: number;
  readonly dash?: string;
}) {
  return (
    <G>
      <Line
        x1={34}
        x2={width - 12}
        y1={y}
        y2={y}
        stroke={colour.words}
        strokeWidth={1.5}
        strokeDasharray={dash}
      />
      <Level at={y} percent={percent} tone={colour.words} />
    </G>
  );
}

/** A number at the left end of its line. */
function Level({
  at,
  percent,
  tone,
}: {
  readonly at: number;
  readonly percent: number;
  readonly tone: string;
}) {
  return (
    <ChartText x={28} y={at + 5} textAnchor="end" fill={tone} {...CHART_LABEL}>
      {String(percent)}
    </ChartText>
  );
}
