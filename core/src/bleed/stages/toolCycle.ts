import type { StageHead, Timed, StagePlan } from './base';
import { heldOf, type Layout, behind } from '../../vehicle/circuit';
import {
  cycleMinutes,
  LEAST_BATTERY_V,
  nextInCycle,
  toolSteps,
  toolUnmet,
  type ToolCheck,
  type ToolEntry,
  type ToolNext,
  type ToolStep,
} from '../scanTool';
import { SWEEP_PASSES } from '../../hydraulics/order';
import { bleed, each, STROKES, working, type BleedDraft } from './bleedDrafts';
import type { OwnStageKind } from './kind';

/** Who says what a scan tool did: somebody reading it off, the tool itself, or a stand-in for practice. */
export const TOOL_WITNESSES = ['by hand', 'tool', 'practice'] as const;
export type ToolWitness = (typeof TOOL_WITNESSES)[number];

/** The words for each, for the record. */
export const TOOL_WITNESS_WORDS: Readonly<Record<ToolWitness, string>> = {
  'by hand': 'read off by hand',
  tool: 'by the tool',
  practice: 'practised with a stand-in',
};

/** Pump and valves of a modulator are cycled by a scan tool. */
export interface ToolCycleDraft {
  readonly kind: 'tool cycle';
  readonly atHand: boolean;
}

/** Preconditions and fault codes, before the tool does anything and at the end. What does not hold halts the run. */
export interface ToolChecked {
  readonly kind: 'tool checked';
  readonly stageId: string;
  readonly by: ToolWitness;
  readonly check: ToolCheck;
}

/** One step of a tool cycle; one that was aborted halts the run. */
export interface ToolStepped {
  readonly kind: 'tool step';
  readonly stageId: string;
  readonly stepId: string;
  readonly by: ToolWitness;
  readonly done: boolean;
  readonly why: string | null;
}

type TimedToolEvent = Timed<ToolChecked | ToolStepped>;

export type ToolCycleStage = StageHead & ToolCycleDraft;

export const toolCycle: OwnStageKind<
  ToolCycleDraft,
  ToolCycleStage,
  ToolChecked | ToolStepped,
  BleedDraft
> = {
  kind: 'tool cycle',
  when: () => 'in the chain',
  opens: false,
  waiting: null,
  drafts: (input) => {
    const { layout, work, finding, open, means, method } = input;
    const pockets = work.purpose === 'routine flush' && work.renewPockets === true;
    if (!(finding.airInModulator || pockets) || !needsTool(layout)) return [];
    const again = working(input, STROKES) ?? (method === 'injection' ? 'two people' : method);
    return [
      { kind: 'tool cycle', atHand: means.scanTool },
      bleed(
        'again after the tool',
        again,
        each(input.orderOf(throughModulator(layout, open), again), 'sweep', SWEEP_PASSES.planned),
      ),
    ];
  },
  figures: (layout) => ({
    minutes: cycleMinutes(
      toolSteps(
        layout,
        layout.bleeders.map((b) => b.id),
      ),
    ),
  }),
  title: () => 'Cycle the modulator with the scan tool',
  words: ({ layout }, { atHand }) => ({
    steps: atHand
      ? [
          `Battery at ${LEAST_BATTERY_V} V or more, ignition on, engine off, no fault code: read first.`,
          `Wheel by wheel: valves, then the pump, while somebody holds the ${heldOf(layout).word}.`,
          'After every run the pump cools; the tool’s own limits win.',
          'At the end the codes are read once more.',
        ]
      : [
          'No scan tool today: hand the vehicle to somebody who has one.',
          'It stays “do not drive” until then.',
        ],
    why: 'Air in the closed pockets cannot be reached by hand; a hard stop would let it out while braking.',
  }),
  materials: () => [
    {
      kind: 'tool',
      what: 'Scan tool that cycles this modulator',
      for: 'between the two base bleeds',
    },
  ],
  maySkip: () => true,
  // Air behind closed valves is not felt at the pedal; fluid that was only to be renewed harms nobody.
  leavesDanger: ({ scope }) => scope.airInModulator,
  notByTap: ({ atHand }) =>
    atHand ? 'A tool cycle is through when each of its steps is; record those.' : null,
  sayings: {
    'tool checked': {
      touches: false,
      fault: () => null,
      halts: (_, __, { check }) => (toolUnmet(check).length > 0 ? 'tool stopped' : null),
    },
    'tool step': {
      touches: true,
      fault: (plan, stage, { stepId }) => {
        const steps = toolStepsOf(plan, stage.id);
        return steps.some((s) => s.id === stepId)
          ? null
          : `There is no step "${stepId}" in this cycle; it should be one of ${steps.map((s) => s.id).join(', ')}.`;
      },
      halts: (_, __, { done }) => (done ? null : 'tool stopped'),
    },
  },
  isThrough: (plan, stage, said) => toolNext(plan, stage, said).kind === 'through',
  usual: (plan, stage, said) => {
    if (!stage.atHand) return null;
    const next = toolNext(plan, stage, said);
    if (next.kind === 'step')
      return {
        kind: 'tool step',
        stageId: stage.id,
        stepId: next.step.id,
        by: 'by hand',
        done: true,
        why: null,
      };
    return {
      kind: 'tool checked',
      stageId: stage.id,
      by: 'by hand',
      check: { batteryV: LEAST_BATTERY_V + 0.6, ignition: 'on', codes: [] },
    };
  },
  practised: (said) => said.some((t) => t.by === 'practice'),
  recordLines: (plan, stage, said) => {
    if (said.length === 0) return [];
    const steps = toolStepsOf(plan, stage.id);
    const done = steps.filter((s) =>
      said.some((t) => t.kind === 'tool step' && t.done && t.stepId === s.id),
    ).length;
    const stopped = said.filter((t) => t.kind === 'tool step' && !t.done).length;
    const checks = said.flatMap((t) => (t.kind === 'tool checked' ? [t.check] : []));
    const codes = checks.at(-1)?.codes ?? [];
    const by = [...new Set(said.map((t) => TOOL_WITNESS_WORDS[t.by]))].join(', ');
    const times = stopped === 1 ? 'once' : `${stopped} times`;
    return [
      [
        `Tool cycle, ${by}: ${done} of ${steps.length} steps done`,
        stopped > 0 ? `, stopped ${times}` : '',
        `; battery ${checks[0]?.batteryV.toFixed(1) ?? '–'} V`,
        `; codes at the last reading: ${codes.length === 0 ? 'none' : codes.join(', ')}.`,
      ].join(''),
    ];
  },
};

/** Kinds whose pockets are only reached by the tool. */
export function needsTool(layout: Layout): boolean {
  return layout.abs === 'four-channel' || layout.abs === 'motorcycle, two circuits';
}

/** The steps of a tool cycle by its plan: wheel by wheel, in the order of the bleed that follows. */
export function toolStepsOf(
  plan: Pick<StagePlan, 'layout' | 'stages' | 'openings'>,
  stageId: string,
): ToolStep[] {
  const after = plan.stages
    .slice(plan.stages.findIndex((s) => s.id === stageId) + 1)
    .flatMap((s) => s.openingIds ?? []);
  return toolSteps(
    plan.layout,
    after.map((id) => plan.openings.find((s) => s.id === id)!.bleeder.id),
  );
}

/** Where the tool cycle of a stage stands. */
export function toolNext(
  plan: Pick<StagePlan, 'layout' | 'stages' | 'openings'>,
  stage: Pick<StageHead, 'id'>,
  said: readonly TimedToolEvent[],
): ToolNext {
  return nextInCycle(toolStepsOf(plan, stage.id), said.map(asEntry));
}

const asEntry = (said: TimedToolEvent): ToolEntry =>
  said.kind === 'tool checked'
    ? { kind: 'checked', check: said.check }
    : { kind: 'step', stepId: said.stepId, done: said.done, atMs: said.atMs };

/** Bleeders that what the pockets let go can come out at: those that the fluid reaches through a modulator, not a clutch beside it. */
function throughModulator(layout: Layout, open: readonly string[]): string[] {
  const reached = layout.nodes.flatMap((n) =>
    n.kind === 'modulator' ? [...behind(layout, n.id)] : [],
  );
  return open.filter((id) => layout.bleeders.some((b) => b.id === id && reached.includes(b.at)));
}
