import type { AbsKind, Bleeder, Layout, LayoutNode, Stretch } from '@brook/core/circuit';
import { planBleed, type Plan, type PlanStop, type PlanTotals } from '@brook/core/plan';
import { QueryTypes, type QueryInterface } from 'sequelize';

/** Layouts with several masters, what was said and chosen for a plan, plans in stages, openings with a name of their own in the log. */
export async function up(queries: QueryInterface): Promise<void> {
  const { sequelize } = queries;
  await sequelize.query(
    `ALTER TABLE jobs ADD COLUMN plan_choices jsonb; UPDATE vehicles SET maker_entry = maker_entry || '{"order": null}' WHERE maker_entry IS NOT NULL;`,
  );
  for (const { id, layout } of await sequelize.query<{ id: string; layout: FirstLayout }>(
    'SELECT id, layout FROM vehicles',
    { type: QueryTypes.SELECT },
  )) {
    if (layout.version !== 1) continue;
    await sequelize.query('UPDATE vehicles SET layout = CAST(:layout AS jsonb) WHERE id = :id', {
      replacements: { id, layout: JSON.stringify(liftLayout(layout)) },
    });
  }
  const planned = await sequelize.query<{
    id: string;
    result: { verdict: string; plan: FirstPlan };
  }>(`SELECT id, plan_result AS result FROM jobs WHERE plan_result->>'verdict' = 'planned'`, {
    type: QueryTypes.SELECT,
  });
  await sequelize.query('ALTER TABLE jobs DISABLE TRIGGER jobs_released_read_only');
  for (const { id, result } of planned) {
    await sequelize.query('UPDATE jobs SET plan_result = CAST(:result AS jsonb) WHERE id = :id', {
      replacements: {
        id,
        result: JSON.stringify({ verdict: 'planned', plan: liftPlan(result.plan) }),
      },
    });
  }
  await sequelize.query('ALTER TABLE jobs ENABLE TRIGGER jobs_released_read_only');
  await sequelize.query('ALTER TABLE run_events DISABLE TRIGGER run_events_append_only');
  await sequelize.query(
    `UPDATE run_events SET event = (event - 'bleederId') || jsonb_build_object('stopId', event->'bleederId') WHERE event ? 'bleederId'`,
  );
  await sequelize.query('ALTER TABLE run_events ENABLE TRIGGER run_events_append_only');
}

type FirstNode = {
  readonly kind: LayoutNode['kind'];
  readonly id: string;
  readonly name: string;
  readonly heightMm: number;
  readonly cavityMl?: number;
};
/** A layout as the first rules stored it: one master, one reservoir. */
interface FirstLayout
  extends Omit<
    Layout,
    'version' | 'abs' | 'bowls' | 'masters' | 'nodes' | 'stretches' | 'bleeders'
  > {
  readonly version: 1;
  readonly reservoir: {
    readonly heightMm: number;
    readonly chambers: readonly {
      readonly id: string;
      readonly name: string;
      readonly maxMl: number;
      readonly minMl: number;
      readonly airDrawnMl: number;
    }[];
  };
  readonly master: Pick<Layout['masters'][number], 'name' | 'control' | 'heightMm' | 'ratio'> & {
    readonly chambers: readonly Omit<Layout['masters'][number]['chambers'][number], 'outlet'>[];
  };
  readonly nodes: readonly FirstNode[];
  readonly stretches: readonly Omit<Stretch, 'wideningMlPerM' | 'nut'>[];
  readonly bleeders: readonly (Pick<Bleeder, 'id' | 'at' | 'place' | 'type'> & {
    readonly wrenchMm: number;
  })[];
}

/** Outlet of a bowl of the first rules, which did not say how deep it lies: a starting value [M]. */
const OUTLET_BELOW_MAX_MM = 45;

/** A layout of the first rules in the shape of today; what it did not say gets the starting values of the templates. */
export function liftLayout(first: FirstLayout): Layout {
  const modulator = first.nodes.some((n) => n.kind === 'modulator');
  const own = first.bleeders.some(
    (b) => first.nodes.find((n) => n.id === b.at)?.kind === 'modulator',
  );
  const abs: AbsKind = !modulator ? 'none' : own ? 'rear only, own bleeder' : 'in the open path';
  const { reservoir, master, nodes, stretches, bleeders, ...rest } = first;
  const air = new Map(reservoir.chambers.map((c) => [c.id, c.airDrawnMl]));
  return {
    ...rest,
    version: 2,
    abs,
    bowls: reservoir.chambers.map(({ airDrawnMl: _, ...c }) => ({
      ...c,
      heightMm: reservoir.heightMm,
      makerPressureKpa: null,
    })),
    masters: [
      {
        ...master,
        id: 'master',
        system: 'brakes',
        attitude: 'level',
        chambers: master.chambers.map((c) => ({
          ...c,
          outlet: { airDrawnMl: air.get(c.fedBy) ?? 0, belowMaxMm: OUTLET_BELOW_MAX_MM },
        })),
      },
    ],
    nodes: nodes.map(
      (n) =>
        (n.kind === 'caliper' || n.kind === 'wheel cylinder'
          ? {
              ...n,
              pistonMm: n.kind === 'caliper' ? 48 : 19,
              pistons: n.kind === 'caliper' ? 1 : 2,
              retractionMm: n.kind === 'caliper' ? 0.15 : 1,
            }
          : n) as LayoutNode,
    ),
    stretches: stretches.map((s) => ({ ...s, wideningMlPerM: null, nut: null })),
    bleeders: bleeders.map(({ wrenchMm, ...b }) => ({
      ...b,
      which: null,
      atTop: true,
      seat: 'not tried',
      fitting: { listed: { wrenchMm, thread: null, torqueNm: null }, found: null },
    })),
  };
}

/** A plan as the first rules stored it: one stage, one opening of each bleeder. */
interface FirstPlan
  extends Pick<Plan, 'rulesVersion' | 'fillGrade' | 'newColour' | 'preparation' | 'bowls'> {
  readonly layout: FirstLayout;
  readonly stops: readonly (Pick<
    PlanStop,
    | 'chamberId'
    | 'bowlId'
    | 'pathLengthM'
    | 'pathVolumeMl'
    | 'strokeMl'
    | 'neededMl'
    | 'strokes'
    | 'bledMl'
    | 'oldLeftMl'
    | 'topUps'
  > & { readonly why: unknown; readonly bleeder: { readonly id: string } })[];
  readonly totals: Partial<PlanTotals>;
}

/** A plan of the first rules in the shape of today: its own figures and order, within what a plan of today says besides. */
export function liftPlan(first: FirstPlan): Plan {
  const layout = liftLayout(first.layout);
  const made = planBleed({
    layout,
    fillGrade: first.fillGrade,
    newColour: first.newColour,
    method: layout.vehicleKind === 'motorcycle' ? 'alone at the lever' : 'two people',
  });
  if (made.verdict === 'refused')
    throw new RangeError(
      `a plan of the first rules is refused by those of today: ${made.reasons.map((r) => r.code).join(', ')}`,
    );
  const { plan } = made;
  const stops = first.stops.map(
    ({ bleeder, ...old }): PlanStop => ({
      ...plan.stops.find((s) => s.id === bleeder.id)!,
      ...(old as Partial<PlanStop>),
    }),
  );
  return {
    ...plan,
    rulesVersion: first.rulesVersion,
    preparation: first.preparation,
    bowls: first.bowls,
    stops,
    searchable: [],
    stages: plan.stages.map((s) =>
      s.kind === 'bleed'
        ? { ...s, stopIds: stops.map((x) => x.id), minutes: first.totals.minutes ?? s.minutes }
        : s,
    ),
    totals: { ...plan.totals, ...first.totals },
  };
}
