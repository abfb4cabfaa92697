import {
  paths,
  sizesOf,
  validateLayout,
  type Bleeder,
  type Control,
  type Layout,
} from '../../vehicle/circuit';
import type { Figure } from '../../base/figure';
import { fluidViscosity } from '../../fluid/verdict';
import { METHOD_TRAITS, type Method } from '../../hydraulics/flow';
import { rankMethods } from '../method';
import {
  isFree,
  MOST_SEARCHED,
  strokeVolume,
  type OrderedVisit,
  type OrderSetup,
} from '../../hydraulics/order';
import { findScope, openedBy, partnerAdvice, type ScopeFinding, type WorkDone } from '../scope';
import { draftStages, linesOf, type PlanOpening } from '../stages';
import { beginningOf } from './beginning';
import { priceTreated } from './reservoirTreatment';
import { layStages, topUpsMl } from './layStages';
import { materialsFor } from './materials';
import { orderVisits, planSetup } from './orders';
import { totalFigures } from './planFigures';
import { preparationFor } from './preparation';
import { planAsked, wishesOf, type FullPlanRequest, type PlanRequest } from './request';
import type { Plan, PlanReservoir, PlanMethod, PlanRefusal, PlanResult } from './shape';

/** Version of the rules by which a plan was made; stored with it. */
export const RULES_VERSION = 8;

/**
 * Plan a bleed: what may hold air and so which bleeders are opened, by which
 * method, in which order and what another would cost, in which stages, how
 * much fluid and how many strokes at each by simulating the wash-out, where to
 * top up, with what, how long.
 */
export function planBleed(request: PlanRequest): PlanResult {
  const { layout } = request;
  const faults = validateLayout(layout);
  if (faults.length > 0) return refused([], { code: 'bad layout', faults });
  const asked = planAsked(request);
  const unknown = unknownElement(layout, asked);
  if (unknown !== null) return refused([], { code: 'unknown element', element: unknown });
  if (asked.work.masterIds.length === 0) return refused([], { code: 'nothing in hand' });
  if (namesNothing(asked.work)) return refused([], { code: 'nothing named' });

  const finding = findScope(layout, asked.work);
  const open = openedBy(finding).filter((id) => !asked.reached?.leftShut.includes(id));
  const all = paths(layout);
  const unit =
    layout.abs === 'high pressure'
      ? all
          .filter((p) => open.includes(p.bleeder.id))
          .flatMap((p) => p.points)
          .find((p) => p.node.kind === 'modulator')
      : undefined;
  if (unit)
    return refused([], { code: 'high pressure', element: unit.node.id, name: unit.node.name });

  const rows = rankMethods({
    layout,
    bleederIds: open,
    air: new Set(finding.air.keys()),
    empty: emptied(finding),
    means: asked.means,
    circumstances: {
      ...asked.circumstances,
      preferred:
        asked.preferences.preferredMethod === 'none' ? null : asked.preferences.preferredMethod,
    },
    viscosity: fluidViscosity(asked.fillGrade, asked.isoClass, asked.circumstances.temperatureC),
    strokeMl: (p) => strokeVolume(p.chamber).value,
  });
  const chosen = rows.find((r) => r.method === asked.method) ?? rows[0]!;
  const methods = rows.map(({ flows: _, ...row }) => row);
  if (chosen.verdict === 'hopeless' && open.length > 0)
    return refused(methods, {
      code: 'method',
      method: chosen.method,
      reasons: chosen.reasons.filter((r) => r.weight === 'stops'),
    });

  const bare = planSetup(asked, open, rows);
  const drafts =
    asked.reached?.rest ??
    draftStages({
      ...asked,
      underWay: asked.reached !== null,
      finding,
      open,
      method: chosen.method,
      ranking: rows,
      orderOf: (ids, method) => orderVisits(asked, bare, ids, method).visits,
    });
  const beginning = beginningOf(asked, finding, drafts);
  const visits = drafts.flatMap((d) => (d.kind === 'bleed' ? d.visits.map((v) => v.visit) : []));
  const fromBelow = visits[0] !== undefined && METHOD_TRAITS[visits[0].method].reverse;
  const begun = { ...bare, beginning, fillFirst: !fromBelow };
  const priced = priceTreated(asked, begun, visits);
  if ('code' in priced) return refused(methods, priced);

  const { price, treatment } = priced;
  const setup = { ...begun, rinses: treatment?.rinses ?? [] };
  const { stages, openings } = layStages({
    asked,
    setup,
    drafts,
    priced: price.visits,
    firstFillMl: price.pouredMl - price.visits.reduce((sum, v) => sum + topUpsMl(v), 0),
    oldOnPathMl: price.oldOnPathMl,
    all,
    air: new Set(finding.air.keys()),
  });
  const reservoirs = reservoirsInUse(asked, setup);
  const canMl = stages.flatMap((s) => (s.kind === 'bench' && s.canMl ? [s.canMl] : []));
  const main = drafts.find((d) => d.kind === 'bleed' && d.purpose === 'bleed');
  const changed = [
    ...asked.work.parts.map((p) => p.partId),
    ...(asked.work.master ? [asked.work.master.masterId] : []),
  ];
  return {
    verdict: 'planned',
    plan: {
      id: asked.planId,
      rulesVersion: RULES_VERSION,
      work: asked.work,
      means: asked.means,
      fillGrade: asked.fillGrade,
      newColour: asked.newColour,
      preferences: asked.preferences,
      wishes: wishesOf(asked),
      layout,
      inside: beginning.inside,
      scope: {
        bleeders: finding.bleeders,
        unmet: finding.unmet,
        drewAir: finding.drewAir,
        airInModulator: finding.airInModulator,
        air: [...finding.air.keys()],
        advice: partnerAdvice(layout, changed, asked.partnerAges),
      },
      order: orderVisits(asked, setup, open, chosen.method).id,
      searchable: main?.kind === 'bleed' ? searchable(main.visits, main.method) : [],
      method: chosen.method,
      methods,
      flows: chosen.flows,
      preparation: preparationFor(
        layout,
        asked.work,
        open,
        treatment !== null && treatment.way !== 'nothing',
        fromBelow,
        asked.reached,
      ),
      treatment,
      reservoirs,
      stages,
      openings,
      totals: totalFigures({
        layout,
        reservoirs,
        openings,
        stages,
        preferences: asked.preferences,
        treatment,
        oldLeftMl: price.oldLeftMl,
        removedMl: price.removedMl,
        canMl,
        pouredMl:
          price.pouredMl +
          lastFillMl(reservoirs, price.levelMl) +
          fromBelowMl(openings) +
          sumOf(canMl),
      }),
      materials: materialsFor({ layout, asked, openings, stages, treatment }),
    },
  };
}

/** Whether work was done of which nothing is known: then nobody can say which bleeders may stay shut. */
function namesNothing({
  purpose,
  parts,
  master,
  modulatorOpened,
  airInModulator,
  lowest,
}: WorkDone): boolean {
  return (
    purpose === 'after work' &&
    parts.length === 0 &&
    master === null &&
    !modulatorOpened &&
    !airInModulator &&
    lowest.length === 0
  );
}

/** Elements that ran empty, not only caught a bubble. */
function emptied(finding: ScopeFinding): ReadonlySet<string> {
  return new Set(
    [...finding.air].flatMap(([id, cause]) =>
      cause === 'soft pedal' ||
      cause === 'air in the modulator' ||
      cause === 'climbed from the open joint'
        ? []
        : [id],
    ),
  );
}

/** Bleeders of a stage in its order, where every other order may be tried too. */
function searchable(visits: readonly OrderedVisit[], method: Method): readonly string[] {
  const free =
    isFree(visits) &&
    visits.length > 1 &&
    visits.length <= MOST_SEARCHED &&
    !METHOD_TRAITS[method].reverse;
  return free ? visits.map((v) => v.visit.bleederId) : [];
}

/** Reservoirs that feed what is opened or in hand. */
function reservoirsInUse(
  { layout, preferences }: FullPlanRequest,
  setup: OrderSetup,
): PlanReservoir[] {
  return setup.reservoirs.map(({ id, name, maxMl, minMl, airDrawnMl, topUpLevelMl, known }) => ({
    id,
    name,
    maxMl,
    minMl,
    airDrawnMl,
    ...(known ? { known } : {}),
    topUpLevelMl,
    finalLevelMl:
      preferences.finalLevel[layout.vehicleKind] === 'MAX' ? maxMl : (maxMl + minMl) / 2,
  }));
}

function refused(methods: readonly PlanMethod[], ...reasons: PlanRefusal[]): PlanResult {
  return { verdict: 'refused', reasons, methods };
}

/** Less than this nobody pours at the end, mL. */
export const LAST_FILL_FROM_ML = 0.5;

/** What brings the reservoirs to where they should stand at the end, mL. */
function lastFillMl(
  reservoirs: readonly PlanReservoir[],
  levelMl: Readonly<Record<string, number>>,
): number {
  return reservoirs.reduce((sum, b) => {
    const ml = b.finalLevelMl - (levelMl[b.id] ?? b.maxMl);
    return sum + (ml > LAST_FILL_FROM_ML ? ml : 0);
  }, 0);
}

const sumOf = (figures: readonly Figure[]): number => figures.reduce((sum, f) => sum + f.value, 0);

/** What comes out of the syringe instead of the reservoir, mL. */
function fromBelowMl(openings: readonly PlanOpening[]): number {
  return openings.reduce(
    (sum, s) => sum + (s.fromReservoir ? 0 : s.bledMl.value + s.fillMl.value),
    0,
  );
}

/** The first id in the request that names nothing in this layout. */
function unknownElement(
  layout: Layout,
  { work, makerOrder, leastFluid }: FullPlanRequest,
): string | null {
  const masters = new Set(layout.masters.map((m) => m.id));
  const parts = new Set([
    ...masters,
    ...layout.nodes.map((n) => n.id),
    ...layout.stretches.map((s) => s.id),
  ]);
  const bleeders = new Set(layout.bleeders.map((b) => b.id));
  return (
    [...work.masterIds, ...(work.master ? [work.master.masterId] : [])].find(
      (id) => !masters.has(id),
    ) ??
    work.parts.map((p) => p.partId).find((id) => !parts.has(id)) ??
    (work.master?.linesOver ?? []).find(
      (id) => !linesOf(layout, work.master!.masterId).some((l) => l.id === id),
    ) ??
    work.lowest
      .map((l) => l.reservoirId)
      .find((id) => !layout.reservoirs.some((b) => b.id === id)) ??
    [...(makerOrder ?? []), ...(leastFluid ?? [])].find((id) => !bleeders.has(id)) ??
    null
  );
}

/** The control that the proof is about: of the first master in hand. */
export function controlOf(plan: Pick<Plan, 'layout' | 'work'>): Control {
  return (
    plan.layout.masters.find((m) => plan.work.masterIds.includes(m.id)) ?? plan.layout.masters[0]!
  ).control;
}

/** Wrench of a stop's bleeder, mm; null where nobody knows. */
export const wrenchMm = (bleeder: Bleeder): number | null => sizesOf(bleeder.fitting).wrenchMm;
