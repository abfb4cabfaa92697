import type { BenchDraft, BenchEvent, BenchStage } from './bench';
import type { BleedStage } from './bleed';
import type { BleedDraft } from './bleedDrafts';
import type { Timed } from './base';
import type { ValveDraft, ValveStage } from './centreTheValve';
import type { HoldPointDraft, HoldPointStage } from './holdPoint';
import type { InjectionDraft, InjectionEvent, InjectionStage } from './injection';
import type { JoinLinesDraft, JoinLinesStage } from './joinLines';
import type { PartCompared, RightPartDraft, RightPartStage } from './rightPart';
import type { SlaveTestDraft, SlaveTested, SlaveTestStage } from './slaveTest';
import type { RubberRenewed, StripDraft, StripStage } from './strip';
import type { BiteMeasured, TieBackDraft, TieBackStage } from './tieBack';
import type { ToolChecked, ToolCycleDraft, ToolCycleStage, ToolStepped } from './toolCycle';
import type { WaterTestDraft, WaterTestStage, WaterTested } from './waterTest';

/** A stage that opens no bleeder, before its figures are known. */
export type OwnDraft =
  | StripDraft
  | RightPartDraft
  | BenchDraft
  | JoinLinesDraft
  | ValveDraft
  | InjectionDraft
  | HoldPointDraft
  | ToolCycleDraft
  | SlaveTestDraft
  | TieBackDraft
  | WaterTestDraft;

/** One stage of a plan, before its visits are priced. */
export type StageDraft = OwnDraft | BleedDraft;

/** A stage that opens no bleeder. */
export type OwnStage =
  | StripStage
  | RightPartStage
  | BenchStage
  | JoinLinesStage
  | ValveStage
  | InjectionStage
  | HoldPointStage
  | ToolCycleStage
  | SlaveTestStage
  | TieBackStage
  | WaterTestStage;

/** One stage of the plan. */
export type PlanStage = BleedStage | OwnStage;

/** A tap on "done", and leaving out by decision with the reason, which shows at the gate and on the record. */
export type StageTap =
  | { readonly kind: 'stage done'; readonly stageId: string }
  | { readonly kind: 'stage skipped'; readonly stageId: string; readonly reason: string };

/** What is said in a stage that is through by what is said there, not by a tap. */
export type StageSaying =
  | RubberRenewed
  | WaterTested
  | PartCompared
  | SlaveTested
  | ToolChecked
  | ToolStepped
  | BiteMeasured
  | BenchEvent
  | InjectionEvent;

/** Something said in a stage that opens no bleeder. */
export type StageEvent = StageTap | StageSaying;

/** Where a stage that opens no bleeder stands: tapped, left out with the reason, and what was said in it, in order. */
export interface StageState {
  readonly tapped: boolean;
  readonly skipped: string | null;
  readonly said: readonly Timed<StageSaying>[];
}

/** What a stage that nobody has touched looks like. */
export const UNTOUCHED: StageState = { tapped: false, skipped: null, said: [] };
