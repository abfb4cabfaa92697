import type { Layout } from '../../vehicle/circuit';
import { figure, MODEL, type Figure } from '../../base/figure';
import type { PartnerAdvice, WorkDone } from '../scope';
import { planBleed } from './plan';
import type { Plan } from './shape';

/** Hands-on minutes of a partner by both ways. */
export interface PartnerWays {
  /** On top of this job, with one bleed for both. */
  readonly sameJob: Figure;
  /** As a job of its own, with a bleed of its own. */
  readonly later: Figure;
}

/** Minutes to take a part off and put the new one on, without bleeding [M]. */
const FITTING_MINUTES = {
  caliper: 40,
  'wheel cylinder': 45,
  slave: 40,
  'slave in the gearbox': 300,
  master: 60,
} as const;

/** Minutes that a job of its own costs besides its work [M]. */
const AGAIN_MINUTES = 30;

/** What it takes to renew a partner in this job, and in a job of its own. @returns null where one of the two cannot be planned */
export function partnerWays(plan: Plan, { partnerId }: PartnerAdvice): PartnerWays | null {
  const { layout, work } = plan;
  const both = minutesOf(plan, withPartner(layout, work, partnerId));
  const alone = minutesOf(
    plan,
    withPartner(
      layout,
      {
        ...work,
        purpose: 'after work',
        parts: [],
        master: null,
        lowest: [],
        modulatorOpened: false,
        airInModulator: false,
        endLost: null,
      },
      partnerId,
    ),
  );
  if (!both || !alone) return null;
  const fitting = figure({
    label: 'Fitting it',
    value: fittingMinutes(layout, partnerId),
    unit: 'min',
    rule: 'off and on, without bleeding; access differs from vehicle to vehicle',
    source: MODEL,
  });
  const more = figure({
    label: 'More bleeding in this job',
    value: both.value - plan.totals.minutes.value,
    unit: 'min',
    rule: 'this plan with both parts less this plan',
    source: MODEL,
    from: [both, plan.totals.minutes],
  });
  const again = figure({
    label: 'Setting up and proving once more',
    value: AGAIN_MINUTES,
    unit: 'min',
    rule: 'onto stands, covers, pedal, drive',
    source: MODEL,
  });
  return {
    sameJob: figure({
      label: 'In this job',
      value: fitting.value + more.value,
      unit: 'min',
      rule: 'fitting and what more there is to bleed',
      source: MODEL,
      from: [fitting, more],
    }),
    later: figure({
      label: 'In a job of its own',
      value: fitting.value + alone.value + again.value,
      unit: 'min',
      rule: 'fitting, a bleed of its own, and the vehicle set up and proved once more',
      source: MODEL,
      from: [fitting, alone, again],
    }),
  };
}

function withPartner(layout: Layout, work: WorkDone, partnerId: string): WorkDone {
  if (!layout.masters.some((m) => m.id === partnerId))
    return {
      ...work,
      purpose: 'after work',
      parts: [...work.parts, { partId: partnerId, cappedAtOnce: true, keptFull: true }],
    };
  // Nothing is promised of a master that is not off yet.
  return {
    ...work,
    purpose: 'after work',
    master: {
      masterId: partnerId,
      linesStayedFull: false,
      linesAboveWheels: false,
      nothingElseOpened: true,
      modulatorLostNothing: true,
      heldDown: false,
      bench: 'not done',
    },
  };
}

function minutesOf(plan: Plan, work: WorkDone): Figure | null {
  const { layout, fillGrade, newColour, means, preferences, wishes } = plan;
  const result = planBleed({
    layout,
    fillGrade,
    newColour,
    means,
    preferences,
    ...wishes,
    method: null,
    holdPoint: false,
    work,
  });
  return result.verdict === 'planned' ? result.plan.totals.minutes : null;
}

function fittingMinutes(layout: Layout, partnerId: string): number {
  const node = layout.nodes.find((n) => n.id === partnerId);
  if (node?.kind === 'slave')
    return FITTING_MINUTES[node.inGearbox ? 'slave in the gearbox' : 'slave'];
  return FITTING_MINUTES[
    node?.kind === 'caliper' || node?.kind === 'wheel cylinder' ? node.kind : 'master'
  ];
}
