import { visitBoilingLimit, limitsOf, waterLimits, type Grade } from '@brook/core/fluid/verdict';
import { numberIn } from '@brook/core/base/units';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { ClipPath, Defs, G, Line, Path, Rect } from 'react-native-svg';
import { ChartText } from '../../ui/ChartText';
import { CHART_LABEL, colour } from '../../ui/theme';
import { inOwnUnits, useUnits } from '../../ui/unitChoice';

/** A limit on a scale, and what passing it asks for. */
export interface ScaleLimit {
  readonly at: number;
  readonly word: 'at a visit' | 'now';
}

export interface ScaleProps {
  /** What the scale is of, with its unit. */
  readonly what: string;
  readonly unit: string;
  readonly from: number;
  readonly to: number;
  /** Between two numbers on the scale. */
  readonly step: number;
  /** Null while nothing that can be right was read. */
  readonly value: number | null;
  readonly limits: readonly ScaleLimit[];
  /** Colour of the fluid that is measured. */
  readonly fluid: string;
}

/** Where the tube lies, px from the left; half a number stands out at each end. */
const EDGE = 12;
const TUBE = { top: 44, height: 20 };
const HEIGHT = 106;
const PARTS_OF_STEP = 5;

/** A reading on its own scale, in the tube that holds it, with the limits that it is held against. */
export function Scale({ what, unit, from, to, step, value, limits, fluid }: ScaleProps) {
  const units = useUnits();
  const [width, setWidth] = useState(0);
  const x = (v: number) =>
    EDGE + ((Math.min(Math.max(v, from), to) - from) / (to - from)) * (width - 2 * EDGE);
  const ticks = Array.from(
    { length: Math.round(((to - from) / step) * PARTS_OF_STEP) + 1 },
    (_, i) => from + (i * step) / PARTS_OF_STEP,
  );
  const foot = TUBE.top + TUBE.height;
  return (
    <View onLayout={(e) => setWidth(e.nativeEvent.layout.width)} style={{ minHeight: HEIGHT }}>
      {width === 0 ? null : (
        <Svg
          width={width}
          height={HEIGHT}
          role="img"
          aria-label={inOwnUnits(
            `${what}: ${value === null ? 'not read' : `${value} ${unit}`}. ${limits.map((l) => `Replace ${l.word}: ${Math.round(l.at * 10) / 10} ${unit}`).join('. ')}`,
            units,
          )}
        >
          <Defs>
            <ClipPath id="tube">
              <Rect x={EDGE} y={TUBE.top} width={width - 2 * EDGE} height={TUBE.height} rx={10} />
            </ClipPath>
          </Defs>
          {value === null ? null : (
            <Rect
              x={EDGE}
              y={TUBE.top}
              width={x(value) - EDGE}
              height={TUBE.height}
              fill={fluid}
              clipPath="url(#tube)"
            />
          )}
          <Rect
            x={EDGE}
            y={TUBE.top}
            width={width - 2 * EDGE}
            height={TUBE.height}
            rx={10}
            fill="none"
            stroke={colour.fluidEdge}
            strokeWidth={2}
          />
          {ticks.map((v, i) => (
            <Line
              key={v}
              x1={x(v)}
              x2={x(v)}
              y1={foot + 6}
              y2={foot + (i % PARTS_OF_STEP === 0 ? 18 : 12)}
              stroke={colour.words}
              strokeWidth={i % PARTS_OF_STEP === 0 ? 1.5 : 1}
            />
          ))}
          {ticks
            .filter((_, i) => i % PARTS_OF_STEP === 0)
            .map((v) => (
              <ChartText
                key={v}
                x={x(v)}
                y={HEIGHT - 6}
                unit={unit}
                textAnchor="middle"
                fill={colour.words}
                {...CHART_LABEL}
              >
                {String(v)}
              </ChartText>
            ))}
          {limits.map((l, i) => (
            <G key={l.word}>
              <Line
                x1={x(l.at)}
                x2={x(l.at)}
                y1={i % 2 === 0 ? 38 : 20}
                y2={foot + 4}
                stroke={colour.words}
                strokeWidth={2}
                strokeDasharray={l.word === 'at a visit' ? '4 3' : undefined}
              />
              {/* One above the other: limits may lie closer than their words are wide. */}
              <ChartText
                x={x(l.at)}
                y={i % 2 === 0 ? 32 : 14}
                textAnchor={x(l.at) > width / 2 ? 'end' : 'start'}
                fill={colour.words}
                {...CHART_LABEL}
              >
                {`${numberIn(String(Math.round(l.at * 10) / 10), unit, units)} ${l.word}`}
              </ChartText>
            </G>
          ))}
          {value === null ? null : (
            <Path
              d={`M${x(value)},${foot + 2} l9,16 l-18,0 Z`}
              fill={colour.words}
              stroke={colour.ground}
              strokeWidth={1.5}
            />
          )}
        </Svg>
      )}
    </View>
  );
}

/** The scale of a water meter, % by mass; longer once a reading lies beyond it. */
export const waterScale = (value: number | null) => {
  const { visit, now } = waterLimits();
  return {
    what: 'Water',
    unit: '%',
    from: 0,
    to: value !== null && value > 5 ? 10 : 5,
    step: value !== null && value > 5 ? 2 : 1,
    value,
    limits: [
      { at: visit.value, word: 'at a visit' },
      { at: now.value, word: 'now' },
    ],
  } as const;
};

/** The scale of a boiling tester for a grade, °C. */
export const boilingScale = (value: number | null, grade: Grade) =>
  ({
    what: 'Boiling point',
    unit: '°C',
    from: 100,
    to: 300,
    step: 50,
    value,
    limits: [
      { at: limitsOf(grade, null).wetC, word: 'now' },
      { at: visitBoilingLimit(grade, null).value, word: 'at a visit' },
    ],
  }) as const;
