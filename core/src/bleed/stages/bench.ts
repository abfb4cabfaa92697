import type { StageHead, StagePlan } from './base';
import { clutchSet } from '../../control/clutch';
import { figure, MODEL, type Figure } from '../../base/figure';
import { nameOf } from '../scope';
import type { Layout } from '../../vehicle/circuit';
import { fullStrokeVolume } from '../../hydraulics/order';
import { handsOn } from './handsOn';
import type { OwnStageKind } from './kind';

/** A master filled on the bench. `set`: master, line and slave of a clutch lie there as one. */
export interface BenchDraft {
  readonly kind: 'bench';
  readonly masterId: string;
  readonly compulsory: boolean;
  readonly set: boolean;
  /** Whether it ends by the signs of each chamber; plans from before ended by a tap. */
  readonly signs?: true;
}

/** What tells that a chamber is full, each by itself [C]. */
export const BENCH_SIGNS = ['no bubbles', 'level steady', 'piston firm'] as const;
export type BenchSign = (typeof BENCH_SIGNS)[number];

/** How a bench run ends. */
export const BENCH_GRADES = ['clean', 'a few tiny bubbles'] as const;
export type BenchGrade = (typeof BENCH_GRADES)[number];

/** What is seen on the bench, chamber by chamber, and how it ended. */
export type BenchEvent =
  | {
      readonly kind: 'bench sign';
      readonly stageId: string;
      /** By its name. */
      readonly chamber: string;
      readonly sign: BenchSign;
      readonly holds: boolean;
    }
  /** A tube end left the fluid: strokes of that chamber free of bubbles count no more. */
  | { readonly kind: 'tube end out'; readonly stageId: string; readonly chamber: string }
  | { readonly kind: 'bench ended'; readonly stageId: string; readonly grade: BenchGrade };

/** The signs of a chamber that hold by now. */
export function signsOf(said: readonly BenchEvent[], chamber: string): readonly BenchSign[] {
  const holds = new Map<BenchSign, boolean>();
  for (const e of said) {
    if (e.kind === 'bench ended' || e.chamber !== chamber) continue;
    if (e.kind === 'tube end out') holds.set('no bubbles', false);
    else holds.set(e.sign, e.holds);
  }
  return BENCH_SIGNS.filter((sign) => holds.get(sign) === true);
}

/** How a bench run ended; null while it goes on, and where a sign went after the end was said. */
export function benchGrade(
  said: readonly BenchEvent[],
  chambers: readonly string[],
): BenchGrade | null {
  const ended = said.map((e) => e.kind).lastIndexOf('bench ended');
  const end = said[ended];
  if (end?.kind !== 'bench ended') return null;
  const all = chambers.every((c) => signsOf(said, c).length === BENCH_SIGNS.length);
  // Whoever grades it before every sign is there has graded nothing.
  const then = chambers.every(
    (c) => signsOf(said.slice(0, ended), c).length === BENCH_SIGNS.length,
  );
  return all && then ? end.grade : null;
}

const chambersOf = (layout: Layout, masterId: string): readonly string[] =>
  layout.masters.find((m) => m.id === masterId)!.chambers.map((c) => c.name);

/** The first thing that is not said yet of a bench run that goes well. */
function nextSaid(
  id: string,
  chambers: readonly string[],
  said: readonly BenchEvent[],
): BenchEvent {
  for (const chamber of chambers)
    for (const sign of BENCH_SIGNS)
      if (!signsOf(said, chamber).includes(sign))
        return { kind: 'bench sign', stageId: id, chamber, sign, holds: true };
  return { kind: 'bench ended', stageId: id, grade: 'clean' };
}

export interface BenchFigures {
  readonly savesMinutes: Figure;
  /** New fluid that goes through the master into a can; null where it runs back, and in plans of rules before 8. */
  readonly canMl?: Figure | null;
}

/** Full strokes that a bench run takes at the least, each chamber [M]. */
const BENCH_STROKES = 10;

/** What a bench-bled master is expected to save at the wheels, minutes [M]. */
const SAVES_MINUTES = 20;

export type BenchStage = StageHead & BenchDraft & BenchFigures;

const chamberFault = (plan: StagePlan, { masterId }: BenchStage, chamber: string) => {
  const names = chambersOf(plan.layout, masterId);
  return names.includes(chamber)
    ? null
    : `There is no chamber "${chamber}"; it should be one of ${names.join(', ')}.`;
};

export const bench: OwnStageKind<BenchDraft, BenchStage, BenchEvent> = {
  kind: 'bench',
  when: () => 'before filling',
  opens: false,
  waiting: null,
  drafts: ({ layout, work, primeInPlace, finding }) =>
    primeInPlace
      ? []
      : finding.bench.map((masterId) => ({
          kind: 'bench',
          masterId,
          compulsory: true,
          set:
            work.purpose === 'new or dry' && work.setAsOne === true && clutchSet(layout, masterId),
          signs: true,
        })),
  figures: (layout, { masterId, set }, { benchFill }) => ({
    canMl: benchFill === 'into a can' && !set ? intoTheCan(layout, masterId) : null,
    minutes: handsOn(
      15,
      'five to thirty minutes: the chamber nearer the pushrod takes longest',
      12,
    ),
    savesMinutes: figure({
      label: 'Expected to save at the wheels',
      value: SAVES_MINUTES,
      unit: 'min',
      plusMinus: 15,
      rule: 'air that never reaches the lines need not be carried through them',
      source: MODEL,
    }),
  }),
  title: (layout, { set, masterId }) =>
    set ? 'Clutch set on the bench' : `${nameOf(layout, masterId)} on the bench`,
  words: ({ layout, preferences }, { set, masterId }) => {
    if (set) {
      return {
        steps: [
          'Master, line and slave joined on the bench: the line points up all the way, the master nose up.',
          'Reservoir half full before the piston of the slave is pushed back: that drives the last bubbles up.',
          'Slow full strokes, slow returns, until no bubble has come for a minute and the piston comes fully home.',
          'It goes onto the vehicle as it is: nothing is parted again.',
        ],
        why: 'A set that is bled on the bench goes in full; in the vehicle its line rises and falls.',
      };
    }
    const { chambers } = layout.masters.find((m) => m.id === masterId)!;
    const lies = chambers.length > 1 ? 'level' : 'with its outlet nose up';
    return {
      steps: [
        `In soft jaws, ${lies}, never nose down.`,
        preferences.benchFill === 'into a can'
          ? 'Hoses from the ports into a can; fill below the brim.'
          : 'Hoses from the ports back under the fluid; fill below the brim.',
        'Bench fittings of the right thread, started by hand with slight resistance; clear tubes, no seep.',
        'Slow full strokes, slow returns. A bubble that goes out and comes back asks for a few fast ones.',
        'Every chamber: no bubbles, level steady, piston firm. Go on for a minute after the last bubble.',
        'The piston comes fully home. Cap the ports on the way to the vehicle.',
      ],
      why: 'A dry master makes no pressure, and its air would be pushed through every line.',
    };
  },
  materials: ({ preferences }) => [
    {
      kind: 'kit',
      what:
        preferences.benchFill === 'into a can'
          ? 'Soft jaws, hoses into a can'
          : 'Soft jaws, hoses from the ports back into the reservoir',
      for: 'the master on the bench',
    },
  ],
  maySkip: ({ compulsory }) => !compulsory,
  // Where no wheel is opened, what the bench left is never bled out.
  leavesDanger: ({ openings }, { compulsory }) => compulsory || openings.length === 0,
  notByTap: ({ signs }) =>
    signs
      ? 'A bench run ends by what is seen: no bubbles, level steady, piston firm in every chamber, and how it ended.'
      : null,
  // On the bench nothing of the vehicle is touched.
  sayings: {
    'bench sign': {
      touches: false,
      fault: (plan, stage, { chamber }) => chamberFault(plan, stage, chamber),
      halts: () => null,
    },
    'tube end out': {
      touches: false,
      fault: (plan, stage, { chamber }) => chamberFault(plan, stage, chamber),
      halts: () => null,
    },
    'bench ended': { touches: false, fault: () => null, halts: () => null },
  },
  isThrough: ({ layout }, { masterId }, said) =>
    benchGrade(said, chambersOf(layout, masterId)) !== null,
  usual: ({ layout }, { id, masterId, signs }, said) =>
    signs ? nextSaid(id, chambersOf(layout, masterId), said) : null,
  practised: () => false,
  recordLines: ({ layout }, { masterId }, said) => {
    const grade = benchGrade(said, chambersOf(layout, masterId));
    const out = said.filter((e) => e.kind === 'tube end out').length;
    return [
      ...(grade
        ? [`${nameOf(layout, masterId)} on the bench: every chamber full, end ${grade}.`]
        : []),
      ...(out > 0
        ? [`A tube end left the fluid ${out === 1 ? 'once' : `${out} times`}; done again.`]
        : []),
    ];
  },
};

/** What a bench run pumps through a master, where it does not run back. */
function intoTheCan(layout: Layout, masterId: string): Figure {
  const strokes = layout.masters
    .find((m) => m.id === masterId)!
    .chambers.map((c) => ({ ...fullStrokeVolume(c), label: c.name }));
  return figure({
    label: 'Into the can on the bench',
    value: BENCH_STROKES * strokes.reduce((sum, s) => sum + s.value, 0),
    unit: 'mL',
    rule: `${BENCH_STROKES} full strokes of every chamber; more where bubbles keep coming`,
    source: MODEL,
    from: strokes,
  });
}
