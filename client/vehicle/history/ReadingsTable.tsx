import type { VehicleHistory } from '@brook/contract';
import type { Bleeder } from '@brook/core/vehicle/circuit';
import { router } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/Button';
import { shortDate } from '../../ui/dates';
import { More } from '../../ui/More';
import { Numeral } from '../../ui/Numeral';
import { Press } from '../../ui/Press';
import { Cell, Row, RowHead, Table } from '../../ui/Table';
import { colour, SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';

const AT_ONCE = 40;

/** The table behind the chart: every sample, newest first, each with the way to its job. */
export function ReadingsTable({
  samples,
  points,
}: {
  readonly samples: VehicleHistory['samples'];
  readonly points: readonly Pick<Bleeder, 'id' | 'place'>[];
}) {
  const [shown, setShown] = useState(AT_ONCE);
  const newest = [...samples].reverse();
  const placeOf = (point: string) => points.find((b) => b.id === point)?.place ?? point;
  if (samples.length === 0) return <Words>No sample was taken yet.</Words>;
  return (
    <More title="The table behind the chart" about={`${samples.length} samples, newest first`}>
      <Table label="Samples" lead="sample" columns={['water %', 'boils °C']} width={72}>
        {newest.slice(0, shown).map((s, i) => (
          <View key={`${s.jobId}-${s.point}-${i}`} role="rowgroup" style={styles.row}>
            <Row>
              <RowHead>
                <Press
                  role="link"
                  aria-label={`Job ${s.jobNumber}, ${placeOf(s.point)}`}
                  onPress={() => router.push(`/jobs/${s.jobId}`)}
                  pressedStyle={{ backgroundColor: colour.well }}
                >
                  <Words strong size="small">
                    {shortDate(new Date(s.atMs).toISOString())}
                  </Words>
                  <Words size="small">{[placeOf(s.point), ...seen(s)].join(', ')}</Words>
                </Press>
              </RowHead>
              <Cell width={72}>
                <Numeral>{s.waterPercent?.toFixed(1) ?? '–'}</Numeral>
              </Cell>
              {/* As it boils at 1013 hPa, wherever it was tested. */}
              <Cell width={72}>
                <Numeral unit="°C">{s.boilingC?.toFixed(0) ?? '–'}</Numeral>
              </Cell>
            </Row>
          </View>
        ))}
      </Table>
      {shown < samples.length ? (
        <Button label="Earlier samples" onPress={() => setShown(shown + 200)} />
      ) : null}
    </More>
  );
}

/** What was seen and read off strips, in words. */
const seen = (s: VehicleHistory['samples'][number]): string[] =>
  [
    s.copperPpm === null ? null : `copper ${s.copperPpm} ppm`,
    s.pH === null ? null : `pH ${s.pH}`,
    s.colour,
    s.clarity,
  ].filter((word) => word !== null);

const styles = StyleSheet.create({
  row: { borderTopWidth: 1, borderTopColor: colour.hairline, paddingVertical: SPACE.hair },
});
