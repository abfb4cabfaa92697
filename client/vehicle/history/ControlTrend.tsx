import type { ControlPage } from '@brook/contract';
import type { Layout } from '@brook/core/vehicle/circuit';
import { airOf, airTrend, airWords, trendWords } from '@brook/core/control/pedal';
import { capital } from '@brook/core/base/text';
import { unitIn } from '@brook/core/base/units';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle, G, Line, Path } from 'react-native-svg';
import { ChartText } from '../../ui/ChartText';
import { useVehicleControls } from '../../data/vehicles';
import { shortDate } from '../../ui/dates';
import { CHART_LABEL, colour, SPACE } from '../../ui/theme';
import { useUnits } from '../../ui/unitChoice';
import { Words } from '../../ui/Words';

type Row = ControlPage['controls'][number];

/** How each control of a vehicle was at the end of its jobs: whether air comes to be behind it over the years. */
export function ControlTrend({
  vehicleId,
  layout,
}: {
  readonly vehicleId: string;
  readonly layout: Layout;
}) {
  const rows = useVehicleControls(vehicleId).data ?? [];
  const ids = layout.masters
    .map((m) => m.id)
    .filter((id) => rows.some((r) => r.found.masterId === id));
  if (ids.length === 0) return null;
  return (
    <View style={styles.all}>
      <Words strong heading={2}>
        Pedal and lever
      </Words>
      {ids.map((id) => (
        <OneControl
          key={id}
          // Oldest first, as it is read.
          rows={rows.filter((r) => r.found.masterId === id).reverse()}
        />
      ))}
    </View>
  );
}

function OneControl({ rows }: { readonly rows: readonly Row[] }) {
  const units = useUnits();
  const { control } = rows[0]!.found;
  const points = rows.flatMap(({ at, air }) =>
    air ? [{ atMs: new Date(at).getTime(), ml: air.ml, sdMl: air.sdMl }] : [],
  );
  const first = rows.find((r) => r.air?.first);
  const trend = first && points.length > 1 ? airTrend(points) : null;
  return (
    <View style={styles.one}>
      <Words strong>{capital(control)}</Words>
      {trend && first ? (
        <>
          <Words
            size={trend.verdict === 'worse' ? 'head' : 'body'}
          >{`${trendWords(trend)}.`}</Words>
          <AirChart
            points={points}
            about={`Air behind the ${control}, ${points.length} measures`}
          />
          <Words size="small" tone="softWords">
            {`Air against the first measure of ${shortDate(first.at)}, in ${unitIn('mL', units)}, each with the band that holds it 19 times of 20. A model.`}
          </Words>
        </>
      ) : null}
      <View role="list" aria-label={`${capital(control)}, job by job`}>
        {[...rows].reverse().map((r) => (
          <View key={r.jobId} role="listitem" style={styles.row}>
            <View style={styles.when}>
              <Words size="small" tone="softWords">
                {`${shortDate(r.at)}, job ${r.jobNumber}`}
              </Words>
            </View>
            <View style={styles.what}>
              <Words size="small">{foundWords(r)}</Words>
            </View>
          </View>
        ))}
      </View>
    </View>
  );
}

/** What was found, and whether it was measured or felt. */
function foundWords({ found, released, air }: Row): string {
  const { result, byMeasure } = found;
  return [
    result === null
      ? 'Not judged'
      : `${capital(result)}, ${byMeasure === result ? 'measured' : 'by feel'}`,
    air && !air.first && `air: ${airWords(airOf(air.ml, air.sdMl))}`,
    !released && 'not released',
  ]
    .filter(Boolean)
    .join('; ');
}

const WIDTH = 340;
const HEIGHT = 150;
const EDGE = { left: 34, right: 14, top: 14, bottom: 26 } as const;

function AirChart({
  points,
  about,
}: {
  readonly points: readonly { readonly atMs: number; readonly ml: number; readonly sdMl: number }[];
  readonly about: string;
}) {
  const band = (p: (typeof points)[number]) => 1.96 * p.sdMl;
  const most = Math.max(1, ...points.map((p) => p.ml + band(p)));
  const least = Math.min(0, ...points.map((p) => p.ml - band(p)));
  const times = points.map((p) => p.atMs);
  const [from, until] = [Math.min(...times), Math.max(...times)];
  const x = (ms: number) =>
    EDGE.left + ((ms - from) / Math.max(1, until - from)) * (WIDTH - EDGE.left - EDGE.right);
  const y = (ml: number) =>
    EDGE.top + ((most - ml) / (most - least)) * (HEIGHT - EDGE.top - EDGE.bottom);
  const levels = Array.from({ length: Math.floor(most) + 1 }, (_, i) => i);
  return (
    <Svg
      width="100%"
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={about}
      testID="air-trend"
    >
      {levels.map((ml) => (
        <G key={ml}>
          <Line
            x1={EDGE.left}
            x2={WIDTH - EDGE.right}
            y1={y(ml)}
            y2={y(ml)}
            stroke={ml === 0 ? colour.edge : colour.hairline}
            strokeWidth={1}
          />
          <ChartText
            x={26}
            y={y(ml) + 5}
            unit="mL"
            textAnchor="end"
            fill={colour.softWords}
            {...CHART_LABEL}
          >
            {String(ml)}
          </ChartText>
        </G>
      ))}
      <Path
        d={points.map((p, i) => `${i === 0 ? 'M' : 'L'}${x(p.atMs)} ${y(p.ml)}`).join('')}
        stroke={colour.words}
        strokeWidth={2}
        fill="none"
      />
      {points.map((p) => (
        <G key={p.atMs}>
          <Line
            x1={x(p.atMs)}
            x2={x(p.atMs)}
            y1={y(p.ml - band(p))}
            y2={y(p.ml + band(p))}
            stroke={colour.words}
            strokeWidth={1.5}
          />
          <Circle
            cx={x(p.atMs)}
            cy={y(p.ml)}
            r={5}
            fill={colour.ground}
            stroke={colour.words}
            strokeWidth={2.5}
          />
        </G>
      ))}
      {[from, until].map((ms, i) => (
        <ChartText
          key={i}
          x={x(ms)}
          y={HEIGHT - 6}
          textAnchor={i === 0 ? 'start' : 'end'}
          fill={colour.softWords}
          {...CHART_LABEL}
        >
          {shortDate(new Date(ms).toISOString())}
        </ChartText>
      ))}
    </Svg>
  );
}

const styles = StyleSheet.create({
  all: { gap: SPACE.medium },
  one: { gap: SPACE.small },
  row: {
    flexDirection: 'row',
    gap: SPACE.medium,
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
    paddingVertical: SPACE.hair,
  },
  when: { width: 132 },
  what: { flex: 1 },
});
