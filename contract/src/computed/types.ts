import type { HistoryChange, HistorySample } from '@brook/core/fluid/ageing';
import type { ClosedPhase } from '@brook/core/bleed/call';
import type { JobCard } from '@brook/core/job/card';
import type { Layout } from '@brook/core/vehicle/circuit';
import type { Figure } from '@brook/core/base/figure';
import type {
  CompatibilityAnswer,
  ConditionAnswer,
  Dye,
  Remedy,
  Sample,
} from '@brook/core/fluid/verdict';
import type { Inside } from '@brook/core/fluid/inside';
import type { ControlOnRecord, RunningClock } from '@brook/core/job/log';
import {
  type AcceptedPick,
  type FluidRead,
  type JobEvent,
  type Logged,
} from '@brook/core/job/events';
import type { MeasuredReading, Trend } from '@brook/core/control/pedal';
import type { PlanPreview as Preview, PlanResult } from '@brook/core/bleed/plan';
import type { HouseRules } from '@brook/core/bleed/rules';
import type { HelperView, Pace } from '@brook/core/job/run';
import type { AdmitAnswer, LowStock } from '@brook/core/fluid/shelf';

/** The containers that the shelf gives for a job, each with why it is looked at twice. */
export type JobPick =
  | ({ readonly kind: 'enough' } & AcceptedPick)
  | { readonly kind: 'short'; readonly missingMl: Figure };

type Accepted = Extract<JobEvent, { readonly kind: 'plan accepted' }>;
/** An event of the log as it is told: the accepted plan and its containers stand on the job, once. */
export type EventOnWire =
  | Logged<Exclude<JobEvent, Accepted>>
  | Omit<Logged<Accepted>, 'plan' | 'pick'>;

/**
 * What core computes and an answer carries as it is. Their schemas in the
 * document are made from these types (npm run schemas), so that neither can say
 * what the other does not.
 */
export interface Computed {
  readonly Dye: Dye;
  readonly ContentInside: Inside;
  readonly FluidRead: FluidRead;
  readonly KnownLayout: Layout;
  readonly PlanResult: PlanResult;
  readonly JobPick: JobPick;
  readonly LogEvent: EventOnWire;
  readonly PreviewResult: Preview['result'];
  readonly PreviewOrders: Preview['orders'];
  readonly PreviewNotEmptied: Preview['notEmptied'];
  readonly AdmitAnswer: AdmitAnswer;
  readonly LowStock: LowStock;
  readonly SampleOnRecord: HistorySample &
    Pick<Sample, 'colour' | 'clarity' | 'copperPpm' | 'pH'> & { readonly jobNumber: number };
  readonly ChangeOnRecord: HistoryChange & {
    readonly jobNumber: number;
    readonly batches: readonly string[];
  };
  readonly Clocks: readonly RunningClock[];
  readonly HelperView: HelperView;
  readonly ClosedPhase: ClosedPhase;
  readonly Pace: Pace;
  readonly ControlOnRecord: ControlOnRecord;
  readonly JobCard: JobCard;
  readonly PedalReading: MeasuredReading;
  readonly AirTrend: Trend;
  readonly RulesInForce: HouseRules;
  readonly CompatibilityReply: Omit<CompatibilityAnswer, 'candidates'> & {
    readonly candidates: readonly (CompatibilityAnswer['candidates'][number] & {
      readonly sentences: readonly string[];
      readonly remedy: { readonly code: Remedy; readonly sentence: string } | null;
    })[];
  };
  readonly ConditionReply: ConditionAnswer & { readonly sentences: readonly string[] };
}
