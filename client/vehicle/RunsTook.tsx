import { numberIn, type UnitChoice } from '@brook/core/base/units';
import type { PacePage } from '@brook/contract';
import { METHOD_WORDS } from '@brook/core/bleed/method';
import { capital } from '@brook/core/base/text';
import { StyleSheet, View } from 'react-native';
import { useVehiclePaces } from '../data/vehicles';
import { dayWords } from '../ui/dayWords';
import { EarlierButton } from '../ui/EarlierButton';
import { Cell, Row, RowHead, Table } from '../ui/Table';
import { useUnits } from '../ui/unitChoice';
import { Words } from '../ui/Words';
import { colour } from '../ui/theme';

type Pace = PacePage['paces'][number];

/** What was done, of what was planned. */
const COLUMNS = ['min', 'strokes', 'mL'];
const WIDTH = 72;

/** What the runs of a vehicle took against their plans: by bleeder, method and person. */
export function RunsTook({ vehicleId }: { readonly vehicleId: string }) {
  const { pages, more, fetching, fetch } = useVehiclePaces(vehicleId);
  const told = pages.flatMap((p) => p.paces);
  if (told.length === 0) return null;
  return (
    <View>
      <Words strong heading={2}>
        What its runs took
      </Words>
      <Table label="What its runs took" lead="bleeder" columns={COLUMNS} width={WIDTH}>
        {told.map((t) => (
          <Opening key={`${t.jobId} ${t.pace.openingId}`} told={t} />
        ))}
      </Table>
      <Words size="small" tone="softWords">
        Done of planned. Minutes from the bleeder before being shut to its own, a pause of more than
        half an hour left out; strokes as counted; mL by strokes, or by the jar where it was read. A
        stroke’s seconds leave out pauses of more than 30 s.
      </Words>
      <EarlierButton label="Earlier runs" more={more} fetching={fetching} fetch={fetch} />
    </View>
  );
}

function Opening({ told: { at, jobNumber, pace } }: { readonly told: Pace }) {
  const units = useUnits();
  const cells = [
    ofPlan(pace.minutes, pace.plannedMinutes),
    ofPlan(pace.strokes, pace.plannedStrokes),
    `${inMl(pace.ml, units)} of ${inMl(pace.plannedMl, units)}`,
  ];
  return (
    <View style={styles.row}>
      <Row>
        <RowHead>
          <Words strong>{capital(pace.place)}</Words>
        </RowHead>
        {cells.map((text, i) => (
          <Cell key={i} width={WIDTH}>
            <Words size="small" align="right">
              {text}
            </Words>
          </Cell>
        ))}
      </Row>
      <Words size="small" tone="softWords">
        {[
          `Job ${jobNumber}, ${dayWords(at)}`,
          METHOD_WORDS[pace.method].title,
          pace.person,
          pace.secondsPerStroke === null ? null : `${pace.secondsPerStroke.toFixed(1)} s a stroke`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </Words>
    </View>
  );
}

const ofPlan = (done: number | null, planned: number): string =>
  `${done === null ? '–' : done.toFixed(0)} of ${planned.toFixed(0)}`;

const styles = StyleSheet.create({
  row: { borderTopWidth: 1, borderTopColor: colour.hairline },
});

const inMl = (ml: number | null, units: UnitChoice): string =>
  ml === null ? '–' : numberIn(ml.toFixed(0), 'mL', units);
