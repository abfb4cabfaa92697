import { airLeft } from '@brook/core/control/air';
import { jobCard, type JobCard } from '@brook/core/job/card';
import { chambersOf, type Layout } from '@brook/core/vehicle/circuit';
import { controlsOnRecord, foldJob, measuredAt, type ControlOnRecord } from '@brook/core/job/log';
import { groupOpenItems, type OpenItem } from '@brook/core/owed/openItems';
import { pedalSetup, type AirLeft, type Reading } from '@brook/core/control/pedal';
import { baselinesOf } from '../../journal/rows/controls';
import { Job, OpenItemEntry, Workshop } from '../../db/models';
import { fluidUsedOf } from '../../journal/job/fluidUsed';
import { logOf } from '../../journal/log/stored';
import { openItemsOf } from '../../journal/rows/openItems';
import { notFound } from '../../http/problems/kinds';
import { houseRulesOf } from '../../workshop/rules/service';
import type { Actor } from '../../session/actor';
import { findVehicle } from '../../workshop/vehicle/findVehicle';

/** A card with what its picture is drawn from. */
export interface CardDrawn {
  readonly card: JobCard;
  readonly layout: Layout;
  readonly timeZone: string;
}

/** The card of a job, as it stands now; of a closed one always the same. */
export async function cardOf(actor: Actor, id: string): Promise<CardDrawn> {
  const job = await Job.findOne({ where: { id, workshopId: actor.workshopId } });
  if (!job) throw notFound('job');
  const vehicle = await findVehicle(actor, job.vehicleId);
  const workshop = await Workshop.findByPk(actor.workshopId, { rejectOnEmpty: true });
  const state = foldJob(await logOf(id));
  const plan = state.run?.plan ?? null;
  const layout = plan?.layout ?? vehicle.layout;
  const controls = controlsOnRecord(state);
  const baselines = await baselinesOf(job);
  const entries = await OpenItemEntry.findAll({
    where: { vehicleId: vehicle.id, entry: 'settled', settledBy: `job ${job.number}` },
    order: [['position', 'ASC']],
  });
  const left = (await openItemsOf([vehicle.id])).get(vehicle.id) ?? [];
  return {
    layout,
    timeZone: workshop.timeZone,
    card: jobCard({
      workshop: workshop.name,
      jobNumber: job.number,
      vehicle: { name: vehicle.name, tag: vehicle.tag },
      job: state,
      layout,
      plan,
      used: await fluidUsedOf(id),
      controls,
      air: airOf(layout, plan?.preferences.altitudeM, controls, baselines),
      // What it opened itself on the way is no news to whoever gets the card.
      cleared: titles(entries.map((e) => e.openItem).filter((m) => m.jobId !== id)),
      left: titles(left.filter((m) => m.jobId === id)),
      // The rules that were in force when it was begun; a card does not change with them.
      rules: state.fluid?.read.rules ?? (await houseRulesOf(actor)),
      makerMonths: vehicle.makerEntry?.intervalMonths ?? null,
    }),
  };
}

/** Open items as one reads them, those of one kind together. */
const titles = (openItems: readonly OpenItem[]): string[] =>
  groupOpenItems(openItems).map((g) => g.title);

/** Air left behind each control that was measured at the end under a force that tells. */
function airOf(
  layout: Layout,
  altitudeM: number | undefined,
  controls: readonly ControlOnRecord[],
  baselines: readonly { readonly masterId: string; readonly readings: readonly Reading[] }[],
): Record<string, AirLeft> {
  const known = new Set(chambersOf(layout).map((c) => c.master.id));
  return Object.fromEntries(
    controls.flatMap(({ masterId, measured }) => {
      const here = measuredAt(measured, masterId, 'after');
      if (!here || !known.has(masterId)) return [];
      const setup = pedalSetup(layout, masterId, altitudeM);
      const baseline = baselines.find((b) => b.masterId === masterId)?.readings ?? null;
      try {
        return [[masterId, airLeft(setup, here.readings, baseline)]];
      } catch (error) {
        // Nothing was read under a force that the springs do not hold back: then nothing is said of it.
        if (error instanceof RangeError) return [];
        throw error;
      }
    }),
  );
}
