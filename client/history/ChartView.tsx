import { memo } from 'react';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { colour, NUMERAL } from '../ui/theme';
import type { HistoryChart } from './chart';

const LABEL = { fontFamily: NUMERAL.row.fontFamily, fontSize: 15, fontWeight: '600' as const };

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
      {levels.map((l) => (
        <G key={l.percent}>
          <Line
            x1={34}
            x2={width - 12}
            y1={l.y}
            y2={l.y}
            stroke={colour.hairline}
            strokeWidth={1}
          />
          <SvgText x={28} y={l.y + 5} textAnchor="end" fill={colour.softWords} {...LABEL}>
            {String(l.percent)}
          </SvgText>
        </G>
      ))}
      {years.map((t) => (
        <SvgText
          key={t.year}
          x={t.x}
          y={height - 6}
          textAnchor="middle"
          fill={colour.softWords}
          {...LABEL}
        >
          {String(t.year)}
        </SvgText>
      ))}
      <Path
        d={band}
        fill={colour.well}
        stroke={colour.edge}
        strokeWidth={1}
        strokeDasharray="2 3"
      />
      <Path d={curve} fill="none" stroke={colour.words} strokeWidth={2} />
      <Limit y={y(limits.visit)} width={width} word={`${limits.visit} %, at a visit`} dash="7 5" />
      <Limit y={y(limits.now)} width={width} word={`${limits.now} %, now`} />
      {changes.map((c) => (
        <G key={c.atMs}>
          <Line
            x1={c.x}
            x2={c.x}
            y1={14}
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
      <Line x1={nowX} x2={nowX} y1={12} y2={foot} stroke={colour.edge} strokeWidth={1} />
      <Label x={nowX + 5} y={24} tone={colour.softWords} word="today" />
      <Circle cx={nowX} cy={foot} r={3} fill={colour.edge} />
      <Path d={marks.reservoir} fill={colour.ground} stroke={colour.words} strokeWidth={2} />
      <Path d={marks.bleeder} fill={colour.words} />
      <Path d={marks.boiling} fill={colour.ground} stroke={colour.words} strokeWidth={2} />
    </Svg>
  );
});

function Limit({
  y,
  width,
  word,
  dash,
}: {
  readonly y: number;
  readonly width: number;
  readonly word: string;
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
      {/* At the far end, where the uptake has left the limits behind. */}
      <Label x={width - 12} y={y - 4} anchor="end" tone={colour.words} word={word} />
    </G>
  );
}

/** A word that can be read where lines cross it. */
function Label({
  x,
  y,
  tone,
  word,
  anchor = 'start',
}: {
  readonly x: number;
  readonly y: number;
  readonly tone: string;
  readonly word: string;
  readonly anchor?: 'start' | 'end';
}) {
  return (
    <G>
      <SvgText
        x={x}
        y={y}
        textAnchor={anchor}
        stroke={colour.ground}
        strokeWidth={4}
        strokeLinejoin="round"
        {...LABEL}
      >
        {word}
      </SvgText>
      <SvgText x={x} y={y} textAnchor={anchor} fill={tone} {...LABEL}>
        {word}
      </SvgText>
    </G>
  );
}
