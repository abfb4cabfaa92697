import type { Vehicle, VehicleHistory } from '@brook/contract';
import { fluidHistory, type FluidHistory } from '@brook/core/fluid/ageing';
import { waterLimits } from '@brook/core/fluid/verdict';
import { oldestPart, type PartAge } from '@brook/core/fluid/inside';
import { intervalFor } from '@brook/core/bleed/rules';
import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { nowMs as presentMs } from '../../data/clock';
import { useVehicle, useVehicleHistory } from '../../data/vehicles';
import { ControlTrend } from './ControlTrend';
import { ForecastRow } from './ForecastRow';
import { JobsLink } from '../../job/frame/JobHead';
import { ActionBar } from '../../ui/ActionBar';
import { shortDate } from '../../ui/dates';
import { FigureRow } from '../../ui/FigureValue';
import { More } from '../../ui/More';
import { Page, useWideScreen } from '../../ui/Page';
import { Press } from '../../ui/Press';
import { FailedPage, Loading } from '../../ui/States';
import { colour, SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { ChartView } from './ChartView';
import { historyChart } from './chart';
import { InsideNow } from './InsideNow';
import { MakerEntryForm } from './MakerEntryForm';
import { ReadingsTable } from './ReadingsTable';
import { usePageTitle } from '../../ui/usePageTitle';

/** A vehicle's fluid over the years: readings, changes, batches, and when it is due. */
export function HistoryScreen({ vehicleId }: { readonly vehicleId: string }) {
  const vehicle = useVehicle(vehicleId);
  usePageTitle('History', vehicle.data?.name);
  const history = useVehicleHistory(vehicleId);
  const error = vehicle.error ?? history.error;
  if (error)
    return <FailedPage what="This history" error={error} again={() => void history.refetch()} />;
  if (!vehicle.data || !history.data) return <Loading what="the history" />;
  return <History vehicle={vehicle.data} history={history.data} />;
}

function History({
  vehicle,
  history,
}: {
  readonly vehicle: Vehicle;
  readonly history: VehicleHistory;
}) {
  const wide = useWideScreen();
  const [nowMs] = useState(presentMs);
  const told = useMemo(
    () =>
      fluidHistory({
        samples: history.samples,
        changes: history.changes,
        oldest: oldestPart(history.layout, history.inside),
        climate: history.rules.climate,
        interval: intervalFor(
          vehicle.vehicleKind,
          history.rules,
          history.makerEntry?.intervalMonths ?? null,
        ),
      }),
    [history, vehicle.vehicleKind],
  );
  const chart = useMemo(
    () => historyChart(told, history.changes, nowMs, wide ? 620 : 344, wide ? 360 : 240),
    [told, history.changes, nowMs, wide],
  );
  const limits = waterLimits();
  const picture = (
    <View style={{ gap: SPACE.small }}>
      <Words strong heading={2}>
        Water, %
      </Words>
      <ChartView
        chart={chart}
        limits={{ visit: limits.visit.value, now: limits.now.value }}
        about={`Water over time, ${told.points.length} readings, ${history.changes.length} changes`}
      />
      <Words size="small" tone="softWords">
        {`Dashed: replace at a visit, ${limits.visit.value} %. Full line: now, ${limits.now.value} %. Ring: reservoir. Square: a bleeder. Triangle: by boiling point. Diamond: a change. The band: nine in ten would lie in it.`}
      </Words>
    </View>
  );
  return (
    <Page
      beside={<View style={{ padding: SPACE.wide }}>{picture}</View>}
      action={
        <ActionBar
          label="How long would it last?"
          onPress={() => router.push(`/vehicles/${vehicle.id}/descent`)}
          side={{ label: 'Vehicle', onPress: () => router.replace(`/vehicles/${vehicle.id}`) }}
        />
      }
    >
      <View>
        <JobsLink />
        <Words size="head" heading={1}>
          {vehicle.name}
        </Words>
        <Words size="small" tone="softWords">{`${vehicle.tag} · fluid history`}</Words>
      </View>
      {wide ? null : picture}
      <Due told={told} nowMs={nowMs} oldest={oldestPart(history.layout, history.inside)} />
      <ControlTrend vehicleId={vehicle.id} layout={vehicle.layout} />
      {history.inside ? <InsideNow layout={history.layout} inside={history.inside} /> : null}
      <View>
        <FigureRow figure={limits.visit} />
        <FigureRow figure={limits.now} />
      </View>
      <Changes history={history} />
      <ReadingsTable samples={history.samples} points={vehicle.layout.bleeders} />
      <MakerEntryForm vehicle={vehicle} />
    </Page>
  );
}

const BY = {
  maker: 'By the maker’s interval, as entered here',
  measurement: 'By this vehicle’s own readings',
  'house rule': 'By the house rule; nothing was measured here',
} as const;

function Due({
  told,
  nowMs,
  oldest,
}: {
  readonly told: FluidHistory;
  readonly nowMs: number;
  readonly oldest: PartAge | null;
}) {
  const { next, ageing } = told;
  if (!next)
    return (
      <Words>
        {oldest
          ? `${oldest.name} holds fluid of no known age, so nobody is told a date. It counts from when that is renewed.`
          : 'First fluid record of this vehicle, so no forecast. The first release starts the count.'}
      </Words>
    );
  return (
    <View>
      <Words size="head" heading={2}>
        {next.dueMs === null
          ? 'Not due within ten years'
          : `${next.dueMs < nowMs ? 'Overdue since' : 'Due'} ${shortDate(new Date(next.dueMs).toISOString())}`}
      </Words>
      <FigureRow figure={next.months} label={BY[next.by]} />
      {ageing ? (
        <>
          <ForecastRow
            label="Replace at a visit from"
            forecast={ageing.visit}
            sinceMs={ageing.sinceMs}
          />
          <ForecastRow label="Replace now from" forecast={ageing.now} sinceMs={ageing.sinceMs} />
        </>
      ) : null}
    </View>
  );
}

function Changes({ history }: { readonly history: VehicleHistory }) {
  return (
    <View>
      <Words strong heading={2}>
        Changes
      </Words>
      <View role="list">
        {[...history.changes].reverse().map((c) => (
          <View key={c.jobId} role="listitem" style={styles.item}>
            <Press
              role="link"
              aria-label={`Job ${c.jobNumber}`}
              onPress={() => router.push(`/jobs/${c.jobId}`)}
              pressedStyle={{ backgroundColor: colour.well }}
            >
              <Words strong>{`${shortDate(new Date(c.atMs).toISOString())}: ${c.grade}`}</Words>
              <Words
                size="small"
                tone="softWords"
              >{`Job ${c.jobNumber}${c.batches.length > 0 ? ` · batch ${c.batches.join(', ')}` : ''}`}</Words>
            </Press>
          </View>
        ))}
      </View>
      {history.changes.length === 0 ? <Words>None yet.</Words> : null}
      {history.odometer.length > 0 ? (
        <Words size="small">
          {`Odometer: ${[...history.odometer]
            .reverse()
            .slice(0, 3)
            .map(
              (o) =>
                `${o.km.toLocaleString('en')} km, ${shortDate(new Date(o.atMs).toISOString())}`,
            )
            .join('; ')}`}
        </Words>
      ) : null}
      {history.changes.some((c) => c.batches.length > 0) ? (
        <More title="Who else got these batches?" about="One search for each">
          {[...new Set(history.changes.flatMap((c) => c.batches))].map((batch) => (
            <Press
              key={batch}
              role="link"
              onPress={() => router.push(`/recall?batch=${encodeURIComponent(batch)}`)}
            >
              <Words strong>{`Batch ${batch}`}</Words>
            </Press>
          ))}
        </More>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({ item: { borderTopWidth: 1, borderTopColor: colour.hairline } });
