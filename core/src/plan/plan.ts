import type { Bleeder, Control, Layout, LayoutFault, Path } from '../circuit';
import { chambersOf, paths, sizesOf, validateLayout } from '../circuit';
import type { Figure } from '../figure';
import { fluidViscosity, type Colour, type Grade } from '../fluid';
import {
  METHOD_TRAITS,
  rankMethods,
  type Means,
  type Method,
  type MethodReason,
  type MethodRow,
} from '../flow';
import {
  bowlSetups,
  countAt,
  isFree,
  MOST_SEARCHED,
  priceOrder,
  strokeVolume,
  type OrderedVisit,
  type OrderId,
  type OrderReason,
  type OrderRefusal,
  type OrderSetup,
  type Visit,
  type VisitPrice,
} from '../order';
import {
  findScope,
  partnerAdvice,
  type PartnerAdvice,
  type ScopeFinding,
  type WorkDone,
} from '../scope';
import { orderVisits, planSetup } from './orders';
import { linesOf } from './joining';
import { materialsFor, type Materials } from './materials';
import { stageMinutes, stopFigures, totalFigures } from './planFigures';
import { preparationFor, type PreparationStep } from './preparation';
import type { PlanPreferences } from './preferences';
import { planAsked, wishesOf, type PlanAsked, type PlanRequest, type PlanWishes } from './request';
import type { BleedPurpose, StageDraft } from './draft';
import { openIds, stagesFor } from './stages';

/** Version of the rules by which a plan was made; stored with it. */
export const RULES_VERSION = 4;

/** A call to top up a bowl before the stroke that follows. */
export interface PlannedTopUp {
  readonly bowlId: string;
  /** Strokes made at this stop before the call. */
  readonly afterStrokes: number;
  readonly pouredMl: number;
}

/** The shape of a stroke, where strokes are made [C]. */
export type StrokeShape = 'fast push, slow return' | 'slow push' | 'steady';

/**
 * One opening of one bleeder. Where the flow is steady a "stroke" is one mark
 * of the jar, or of the syringe: `counted` says which.
 */
export interface PlanStop {
  /** The bleeder's id at its first opening, with a number from the second on. */
  readonly id: string;
  readonly stageId: string;
  readonly bleeder: Bleeder;
  readonly chamberId: string;
  readonly bowlId: string;
  readonly control: Control;
  readonly method: Method;
  readonly counted: 'strokes' | 'marks';
  /** Time of one, s. */
  readonly secondsPerStroke: number;
  /** Whether what is counted comes out of the bowl; from below it comes out of the syringe. */
  readonly fromBowl: boolean;
  readonly until: Visit['until'];
  readonly shape: StrokeShape;
  readonly why: OrderReason;
  readonly pathLengthM: Figure;
  readonly pathVolumeMl: Figure;
  readonly strokeMl: Figure;
  /** Fluid until the end of this opening is reached. */
  readonly neededMl: Figure;
  readonly strokes: Figure;
  /** Fluid in the whole strokes. */
  readonly bledMl: Figure;
  /** Where the jar stands after this opening, when it was not emptied. */
  readonly jarMl: Figure;
  /** What has come out of the bottles by the end of this opening; plans of version 3 do not say. */
  readonly outOfBottlesMl?: Figure;
  /** Old fluid that stays on this path when the plan is through. */
  readonly oldLeftMl: Figure;
  readonly topUps: readonly PlannedTopUp[];
}

/** One stage of the plan. Those that open bleeders name their stops in order. */
export type PlanStage = { readonly id: string; readonly minutes: Figure } & (
  | {
      readonly kind: 'bleed';
      readonly purpose: BleedPurpose;
      readonly method: Method;
      readonly stopIds: readonly string[];
    }
  | (Extract<StageDraft, { kind: 'bench' }> & { readonly savesMinutes: Figure })
  | (Extract<StageDraft, { kind: 'centre the valve' }> & { readonly button: boolean })
  | Exclude<StageDraft, { kind: 'bleed' | 'bench' | 'centre the valve' }>
);

/** A bowl of the reservoir as the plan uses it. */
export interface PlanBowl {
  readonly id: string;
  readonly name: string;
  readonly maxMl: number;
  readonly minMl: number;
  readonly airDrawnMl: number;
  readonly topUpLevelMl: Figure;
  readonly finalLevelMl: number;
}

/** What was found out about the scope, as it is stored. */
export interface PlanScope
  extends Pick<ScopeFinding, 'bleeders' | 'unmet' | 'drewAir' | 'airInModulator'> {
  readonly air: readonly string[];
  readonly advice: readonly PartnerAdvice[];
}

/** What a method was found to be; the flows in full stand with the one chosen. */
export type PlanMethod = Omit<MethodRow, 'flows'>;

/** The whole plan, a value: the same request gives the same plan. */
export interface Plan {
  readonly rulesVersion: number;
  readonly work: WorkDone;
  readonly scope: PlanScope;
  readonly order: OrderId;
  /** Bleeders of the main stage in the order chosen, where every order may be tried; else empty. */
  readonly searchable: readonly string[];
  readonly method: Method;
  readonly methods: readonly PlanMethod[];
  readonly flows: MethodRow['flows'];
  readonly means: Means;
  readonly fillGrade: Grade;
  readonly newColour: Colour;
  readonly preferences: PlanPreferences;
  /** Plans of version 3 did not keep them. */
  readonly wishes?: PlanWishes;
  readonly layout: Layout;
  readonly preparation: readonly PreparationStep[];
  readonly bowls: readonly PlanBowl[];
  readonly stages: readonly PlanStage[];
  /** Every opening of every stage, in order. */
  readonly stops: readonly PlanStop[];
  readonly totals: PlanTotals;
  readonly materials: Materials;
}

export interface PlanTotals {
  readonly bledMl: Figure;
  readonly strokes: Figure;
  /** Marks of the jar or syringe, where the flow is steady. */
  readonly marks: Figure;
  readonly topUps: Figure;
  /** Drawn off the reservoir before the first stroke. */
  readonly removedMl: Figure;
  /** Out of containers: refill, top-ups and the last fill. */
  readonly pouredMl: Figure;
  /** The same in fillings of the reservoir, which a technician sees. */
  readonly fillings: Figure;
  readonly minutes: Figure;
  readonly waitingMinutes: Figure;
  readonly oldLeftMl: Figure;
  /** Old fluid in closed pockets that no stroke reaches; 0 without a modulator. */
  readonly pocketsMl: Figure;
}

export type PlanRefusal =
  | { readonly code: 'bad layout'; readonly faults: readonly LayoutFault[] }
  | { readonly code: 'high pressure'; readonly element: string; readonly name: string }
  | { readonly code: 'nothing in hand' }
  /** Work was done, and nobody said on what. */
  | { readonly code: 'nothing named' }
  /** The method chosen, or every method, cannot work here. */
  | { readonly code: 'method'; readonly method: Method; readonly reasons: readonly MethodReason[] }
  | { readonly code: 'unknown element'; readonly element: string }
  | OrderRefusal;

export type PlanResult =
  | { readonly verdict: 'planned'; readonly plan: Plan }
  | {
      readonly verdict: 'refused';
      readonly reasons: readonly PlanRefusal[];
      readonly methods: readonly PlanMethod[];
    };

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
  const open = openIds(finding).filter((id) => !asked.reached?.leftShut.includes(id));
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

  const setup = planSetup(asked, open, rows);
  const drafts =
    asked.reached?.rest ??
    stagesFor({
      asked,
      finding,
      open,
      method: chosen.method,
      ranking: rows,
      orderOf: (ids, method) => orderVisits(asked, setup, ids, method).visits,
    });
  const priced = priceOrder(
    setup,
    drafts.flatMap((d) => (d.kind === 'bleed' ? d.visits.map((v) => v.visit) : [])),
  );
  if (priced.verdict === 'refused') return refused(methods, priced.reason);

  const { price } = priced;
  const { stages, stops } = stagesAndStops({
    asked,
    setup,
    drafts,
    priced: price.visits,
    firstFillMl: price.pouredMl - price.visits.reduce((sum, v) => sum + topUpsMl(v), 0),
    oldOnPathMl: price.oldOnPathMl,
    all,
    air: new Set(finding.air.keys()),
  });
  const bowls = bowlsInUse(asked, setup);
  const main = drafts.find((d) => d.kind === 'bleed' && d.purpose === 'bleed');
  const changed = [
    ...asked.work.parts.map((p) => p.partId),
    ...(asked.work.master ? [asked.work.master.masterId] : []),
  ];
  return {
    verdict: 'planned',
    plan: {
      rulesVersion: RULES_VERSION,
      work: asked.work,
      means: asked.means,
      fillGrade: asked.fillGrade,
      newColour: asked.newColour,
      preferences: asked.preferences,
      wishes: wishesOf(asked),
      layout,
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
      preparation: preparationFor(layout, asked.work, open, asked.reached),
      bowls,
      stages,
      stops,
      totals: totalFigures({
        layout,
        bowls,
        stops,
        stages,
        preferences: asked.preferences,
        oldLeftMl: price.oldLeftMl,
        removedMl: asked.work.purpose === 'new or dry' ? 0 : price.removedMl,
        pouredMl: price.pouredMl + lastFillMl(bowls, price.levelMl) + fromBelowMl(stops),
      }),
      materials: materialsFor({ layout, asked, stops, stages }),
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

/** Bowls that feed what is opened or in hand. */
function bowlsInUse({ layout, work, preferences }: PlanAsked, setup: OrderSetup): PlanBowl[] {
  const fed = new Set(
    chambersOf(layout).flatMap(({ master, chamber }) =>
      work.masterIds.includes(master.id) ? [chamber.fedBy] : [],
    ),
  );
  return bowlSetups(layout)
    .filter((b) => fed.has(b.id) || setup.bowls.some((x) => x.id === b.id))
    .map(({ id, name, maxMl, minMl, airDrawnMl, topUpLevelMl }) => ({
      id,
      name,
      maxMl,
      minMl,
      airDrawnMl,
      topUpLevelMl,
      finalLevelMl:
        preferences.finalLevel[layout.vehicleKind] === 'MAX' ? maxMl : (maxMl + minMl) / 2,
    }));
}

function refused(methods: readonly PlanMethod[], ...reasons: PlanRefusal[]): PlanResult {
  return { verdict: 'refused', reasons, methods };
}

/** What brings the bowls to where they should stand at the end, mL. */
function lastFillMl(bowls: readonly PlanBowl[], levelMl: Readonly<Record<string, number>>): number {
  return bowls.reduce(
    (sum, b) => sum + Math.max(0, b.finalLevelMl - (levelMl[b.id] ?? b.maxMl)),
    0,
  );
}

/** What comes out of the syringe instead of the bowl, mL. */
function fromBelowMl(stops: readonly PlanStop[]): number {
  return stops.reduce((sum, s) => sum + (s.fromBowl ? 0 : s.bledMl.value), 0);
}

/** The first id in the request that names nothing in this layout. */
function unknownElement(
  layout: Layout,
  { work, makerOrder, leastFluid }: PlanAsked,
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
    work.lowest.map((l) => l.bowlId).find((id) => !layout.bowls.some((b) => b.id === id)) ??
    [...(makerOrder ?? []), ...(leastFluid ?? [])].find((id) => !bleeders.has(id)) ??
    null
  );
}

interface Laid {
  readonly asked: PlanAsked;
  readonly setup: OrderSetup;
  readonly drafts: readonly StageDraft[];
  readonly priced: readonly VisitPrice[];
  /** Poured before the first count. */
  readonly firstFillMl: number;
  readonly oldOnPathMl: Readonly<Record<string, number>>;
  readonly all: readonly Path[];
  readonly air: ReadonlySet<string>;
}

/** Give every stage and every opening its id and its figures. */
function stagesAndStops({
  asked,
  setup,
  drafts,
  priced,
  firstFillMl,
  oldOnPathMl,
  all,
  air,
}: Laid): { stages: PlanStage[]; stops: PlanStop[] } {
  const stops: PlanStop[] = [];
  const opened = new Map<string, number>();
  let next = 0;
  let inJarMl = 0;
  let outOfBottlesMl = firstFillMl;
  const stages = drafts.map((draft, i): PlanStage => {
    const id = `stage-${i + 1}`;
    if (draft.kind !== 'bleed') return { id, ...draft, ...stageMinutes(asked, draft) } as PlanStage;
    const of = draft.visits.map((ordered): PlanStop => {
      const price = priced[next++]!;
      inJarMl += price.counts * countAt(setup, price.visit).countMl.value;
      const traits = METHOD_TRAITS[draft.method];
      outOfBottlesMl +=
        topUpsMl(price) +
        (traits.reverse ? price.counts * countAt(setup, price.visit).countMl.value : 0);
      const path = all.find((p) => p.bleeder.id === ordered.visit.bleederId)!;
      const times = (opened.get(path.bleeder.id) ?? 0) + 1;
      opened.set(path.bleeder.id, times);
      return {
        id: times === 1 ? path.bleeder.id : `${path.bleeder.id}#${times}`,
        stageId: id,
        bleeder: path.bleeder,
        chamberId: path.chamber.id,
        bowlId: path.chamber.fedBy,
        control: path.master.control,
        method: draft.method,
        counted: traits.kind === 'strokes' ? 'strokes' : 'marks',
        secondsPerStroke: countAt(setup, ordered.visit).secondsPerCount,
        fromBowl: !traits.reverse,
        until: price.visit.until,
        shape: shapeOf(asked, path, air),
        why: ordered.why,
        ...stopFigures({
          setup,
          path,
          price,
          inJarMl,
          outOfBottlesMl,
          preferences: asked.preferences,
          oldLeftMl: oldOnPathMl[path.bleeder.id]!,
        }),
        topUps: price.topUps.map((t) => ({
          bowlId: t.bowlId,
          afterStrokes: t.afterCounts,
          pouredMl: t.pouredMl,
        })),
      };
    });
    stops.push(...of);
    return {
      id,
      kind: 'bleed',
      purpose: draft.purpose,
      method: draft.method,
      stopIds: of.map((s) => s.id),
      ...stageMinutes(asked, draft, of),
    };
  });
  return { stages, stops };
}

const topUpsMl = (v: VisitPrice): number => v.topUps.reduce((sum, t) => sum + t.pouredMl, 0);

/** Fast push and slow return where a stretch falls towards the bleeder, slow where a port is open, steady otherwise [C]. */
function shapeOf(
  { preferences, work }: PlanAsked,
  path: Path,
  air: ReadonlySet<string>,
): StrokeShape {
  if (work.master !== null) return 'slow push';
  if (preferences.strokeShape === 'steady') return 'steady';
  const falls = path.stretches.some(
    (s, i) =>
      air.has(s.id) &&
      path.points[i + 1]!.node.heightMm < path.points[i]!.node.heightMm - s.lengthMm / 4,
  );
  return falls ? 'fast push, slow return' : 'steady';
}

/** The control that the proof is about: of the first master in hand. */
export function controlOf(plan: Pick<Plan, 'layout' | 'work'>): Control {
  return (
    plan.layout.masters.find((m) => plan.work.masterIds.includes(m.id)) ?? plan.layout.masters[0]!
  ).control;
}

/** Wrench of a stop's bleeder, mm; null where nobody knows. */
export const wrenchMm = (bleeder: Bleeder): number | null => sizesOf(bleeder.fitting).wrenchMm;
