import type { Job } from '@brook/contract';
import { fluidHistory, historyReading, worstReading } from '@brook/core/fluid/ageing';
import { oldestPart } from '@brook/core/fluid/inside';
import { intervalFor } from '@brook/core/bleed/rules';
import { router } from 'expo-router';
import { View } from 'react-native';
import { useVehicle, useVehicleHistory } from '../../data/vehicles';
import { Button } from '../../ui/Button';
import { Words } from '../../ui/Words';
import { ForecastRow } from '../../vehicle/history/ForecastRow';
import { expectedGrade, samplesOf, type FluidDraft } from './entry';

/** When the verdict will change, by this vehicle's own readings with today's among them; and the way to the reckoning of a descent. */
export function GoodUntil({ job, draft }: { readonly job: Job; readonly draft: FluidDraft }) {
  const history = useVehicleHistory(job.vehicleId).data;
  const vehicle = useVehicle(job.vehicleId).data;
  if (!history || !vehicle) return null;
  const known = {
    maker: job.makerEntry,
    lastDye: job.lastDye,
    lastGrade: job.lastFill?.grade ?? null,
    before: null,
    hasModulator: null,
  };
  const grade = expectedGrade(draft, known);
  const today = samplesOf(draft, known).map((s) => ({
    jobId: job.id,
    atMs: Date.parse(job.openedAt),
    point: s.point,
    grade,
    ...historyReading(s, grade),
  }));
  const told = fluidHistory({
    samples: [...history.samples.filter((s) => s.jobId !== job.id), ...today],
    changes: history.changes,
    oldest: oldestPart(history.layout, history.inside),
    climate: history.rules.climate,
    interval: intervalFor(
      vehicle.vehicleKind,
      history.rules,
      history.makerEntry?.intervalMonths ?? null,
    ),
  });
  const worst = worstReading(today);
  return (
    <View>
      {told.ageing ? (
        <>
          <ForecastRow
            label="Replace at a visit from"
            forecast={told.ageing.visit}
            sinceMs={told.ageing.sinceMs}
          />
          <ForecastRow
            label="Replace now from"
            forecast={told.ageing.now}
            sinceMs={told.ageing.sinceMs}
          />
        </>
      ) : (
        <Words size="small" tone="softWords">
          First fluid record of this vehicle, so no forecast.
        </Words>
      )}
      <Button
        label="How long would it last?"
        onPress={() =>
          router.push(
            `/vehicles/${job.vehicleId}/descent?grade=${encodeURIComponent(grade)}${readingQuery(worst)}`,
          )
        }
      />
    </View>
  );
}

const readingQuery = (worst: ReturnType<typeof worstReading>): string =>
  worst === null
    ? ''
    : worst.boilingC !== null
      ? `&boiling=${worst.boilingC.toFixed(1)}`
      : `&water=${worst.waterPercent}`;
