import type { Layout } from '../../vehicle/circuit';
import type { Figure } from '../../base/figure';
import { bench } from './bench';
import { bleed } from './bleed';
import { centreTheValve } from './centreTheValve';
import { holdPoint } from './holdPoint';
import { injection } from './injection';
import { joinLines } from './joinLines';
import type { OwnStageKind, SayingRule, StageKind, StageWhen, StageWords } from './kind';
import type { Material } from './material';
import { rightPart } from './rightPart';
import { slaveTest } from './slaveTest';
import { strip } from './strip';
import type { Timed, StageHalt, StageInput, StagePlan, StagePreferences } from './base';
import {
  UNTOUCHED,
  type OwnDraft,
  type OwnStage,
  type PlanStage,
  type StageDraft,
  type StageEvent,
  type StageSaying,
  type StageState,
} from './stage';
import { tieBack } from './tieBack';
import { toolCycle } from './toolCycle';
import { waterTest } from './waterTest';

/** Every kind that opens no bleeder. A kind that is drafted and not listed here does not compile. */
const OWN = {
  strip,
  'right part': rightPart,
  bench,
  'join lines': joinLines,
  'centre the valve': centreTheValve,
  injection,
  'hold point': holdPoint,
  'tool cycle': toolCycle,
  'slave test': slaveTest,
  'tie back': tieBack,
  'water test': waterTest,
} satisfies { readonly [K in OwnDraft['kind']]: { readonly kind: K } };

/** In which order the stages of a job are drafted [C]. */
const CHAIN: readonly { readonly drafts: (input: StageInput) => readonly StageDraft[] }[] = [
  strip,
  rightPart,
  bench,
  joinLines,
  centreTheValve,
  injection,
  bleed,
  toolCycle,
  waterTest,
  slaveTest,
  tieBack,
];

/** Kinds of stage that open no bleeder. */
export const OWN_STAGE_KINDS = Object.keys(OWN) as [OwnDraft['kind'], ...OwnDraft['kind'][]];

// Where one kind is looked up by a value, what belongs together is known to the tables above and no longer to the compiler.
type AnyOwn = OwnStageKind<OwnDraft, OwnStage, StageSaying>;
const own = (stage: Pick<OwnStage, 'kind'>): AnyOwn => OWN[stage.kind] as unknown as AnyOwn;
const any = (stage: Pick<PlanStage, 'kind'>): StageKind<StageDraft, PlanStage> =>
  (stage.kind === 'bleed' ? bleed : OWN[stage.kind]) as unknown as StageKind<StageDraft, PlanStage>;

/**
 * Chain the stages of a job. Whatever the chain, the last pass at every bleeder
 * must be free of bubbles.
 */
export function draftStages(input: StageInput): StageDraft[] {
  return CHAIN.flatMap((kind) => kind.drafts(input));
}

/** A drafted stage that opens no bleeder, with its id and its figures. */
export function ownStage(
  id: string,
  draft: OwnDraft,
  layout: Layout,
  preferences: StagePreferences,
): OwnStage {
  return { id, ...draft, ...own(draft).figures(layout, draft, preferences) } as OwnStage;
}

/** The draft of a stage that opens no bleeder: what its figures came from. */
export function draftOf(stage: OwnStage, { layout, preferences }: StagePlan): OwnDraft {
  const figures = own(stage).figures(layout, stage, preferences);
  return Object.fromEntries(
    Object.entries(stage).filter(([key]) => key !== 'id' && !(key in figures)),
  ) as unknown as OwnDraft;
}

/** What a stage is called, where one line must do. */
export function stageTitle(layout: Layout, stage: PlanStage): string {
  return any(stage).title(layout, stage);
}

/** What goes by without hands in a stage, minutes; null where nothing does. */
export function stageWaiting(stage: PlanStage): Figure | null {
  return stage.kind === 'bleed' ? (stage.waitingMinutes ?? null) : any(stage).waiting;
}

/** What must be at hand for a stage. */
export function stageMaterials(
  plan: Pick<StagePlan, 'layout' | 'preferences'>,
  stage: PlanStage,
): Material[] {
  return any(stage).materials(plan, stage);
}

/** Words for a stage that opens no bleeder. */
export function stageWords(plan: StagePlan, stage: OwnStage): StageWords {
  return own(stage).words(plan, stage);
}

/** Whether a stage may be left out by a recorded decision: a compulsory bench run, a lost valve, joined lines and a hold point may not. */
export function maySkip(stage: PlanStage): boolean {
  return stage.kind !== 'bleed' && own(stage).maySkip(stage);
}

/** Whether danger may stay behind where a stage was left out. */
export function leavesDanger(plan: StagePlan, stage: OwnStage): boolean {
  return own(stage).leavesDanger(plan, stage);
}

/** Where a stage stands in the order of the work. */
export function stageWhen(plan: Pick<StagePlan, 'preferences'>, stage: PlanStage): StageWhen {
  return stage.kind === 'bleed' ? 'in the chain' : own(stage).when(plan.preferences);
}

/** Whether being through with a stage opens the system, as a bleeder does. */
export function stageOpens(stage: OwnStage): boolean {
  return own(stage).opens;
}

/** Whether a saying touches the vehicle, so that what was answered for the proof before it no longer holds. What no stage knows counts as touching. */
export function sayingTouches(kind: StageSaying['kind']): boolean {
  const rules = OWN_STAGE_KINDS.flatMap((k) => rulesOf({ kind: k })[kind] ?? []);
  return rules.length === 0 || rules.some((rule) => rule.touches);
}

/** The sentence for an event that cannot belong to a stage, or null. */
export function stageFault(plan: StagePlan, stage: OwnStage, event: StageEvent): string | null {
  switch (event.kind) {
    case 'stage done':
      return own(stage).notByTap(stage);
    case 'stage skipped':
      return maySkip(stage) ? null : 'This stage cannot be left out.';
    default: {
      const rule = ruleFor(stage, event);
      return rule
        ? rule.fault(plan, stage, event)
        : `"${event.kind}" does not belong to this stage: ${stageTitle(plan.layout, stage)}.`;
    }
  }
}

/** A stage after something was said in it, and what that stops the run for. */
export function afterSaying(
  plan: StagePlan,
  stage: OwnStage,
  before: StageState | undefined,
  event: Timed<StageEvent>,
): { readonly state: StageState; readonly halt: StageHalt | null } {
  const state = before ?? UNTOUCHED;
  switch (event.kind) {
    case 'stage done':
      // One tap is not enough where something must be said.
      return own(stage).notByTap(stage) === null
        ? { state: { ...state, tapped: true, skipped: null }, halt: null }
        : { state, halt: null };
    case 'stage skipped':
      return { state: { ...state, skipped: event.reason }, halt: null };
    default: {
      const rule = ruleFor(stage, event);
      if (!rule || rule.fault(plan, stage, event) !== null) return { state, halt: null };
      const said = [...state.said, event];
      return { state: { ...state, said }, halt: rule.halts(plan, stage, event, said) };
    }
  }
}

/** Whether a stage that opens no bleeder is through or was left out. */
export function isStageThrough(
  plan: StagePlan,
  stage: OwnStage,
  state: StageState = UNTOUCHED,
): boolean {
  return state.tapped || state.skipped !== null || own(stage).isThrough(plan, stage, state.said);
}

/** What somebody does next in a stage who does just what is called for. */
export function usualSaying(
  plan: StagePlan,
  stage: OwnStage,
  { said }: StageState = UNTOUCHED,
): StageEvent {
  return own(stage).usual(plan, stage, said) ?? { kind: 'stage done', stageId: stage.id };
}

/** Why a stage counts as left out: the reason of the decision, or that it was only practised; null where it does not. */
export function leftOut(stage: OwnStage, { skipped, said }: StageState): string | null {
  if (skipped !== null) return skipped;
  return own(stage).practised(said)
    ? 'Only practised with a stand-in: nothing was done on this vehicle.'
    : null;
}

/** The lines of a stage in the record: what was said in it, or that it was done. */
export function stageRecordLines(
  plan: StagePlan,
  stage: OwnStage,
  { said, tapped }: StageState,
): readonly string[] {
  const lines = own(stage).recordLines(plan, stage, said);
  return lines.length === 0 && tapped ? [`${stageTitle(plan.layout, stage)}: done.`] : lines;
}

function ruleFor(
  stage: OwnStage,
  event: StageSaying,
): SayingRule<OwnStage, StageSaying> | undefined {
  const rules = rulesOf(stage);
  return Object.hasOwn(rules, event.kind) ? rules[event.kind] : undefined;
}

type Rules = Readonly<Partial<Record<string, SayingRule<OwnStage, StageSaying>>>>;

function rulesOf(stage: Pick<OwnStage, 'kind'>): Rules {
  return own(stage).sayings as unknown as Rules;
}
