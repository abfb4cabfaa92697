import type { Colour } from '../fluid';
import type { Plan, PreparationStep } from '../plan';
import type { SlaveReading } from '../clutch';
import type { CountedPiece, Found } from '../part';
import type { ToolCheck } from '../scanTool';

export const BUBBLE_READINGS = ['none', 'fine', 'some', 'many'] as const;
export type BubbleReading = (typeof BUBBLE_READINGS)[number];

/** What can stop a run. */
export const HALT_REASONS = [
  'ran dry',
  'seized',
  'snapped',
  'nothing comes',
  'air never ends',
  'tool stopped',
  'wrong part',
  'grease',
  'other product',
  'leak',
  'pedal not right',
] as const;
export type HaltReason = (typeof HALT_REASONS)[number];

/** Those that can be met at a bleeder; the pedal is judged when all of them are shut, a tool's stop and a wrong part follow from what is put down. */
export const HALTS_AT_BLEEDER = HALT_REASONS.filter(
  (r) => r !== 'pedal not right' && r !== 'tool stopped' && r !== 'wrong part',
);

/** Who says what a scan tool did: somebody reading it off, the tool itself, or a stand-in for practice. */
export const TOOL_WITNESSES = ['by hand', 'tool', 'practice'] as const;
export type ToolWitness = (typeof TOOL_WITNESSES)[number];

/** What a person may decide on a halt. */
export const DECISIONS = ['plan anew', 'go on', 'do it last', 'leave shut', 'end job'] as const;
export type Decision = (typeof DECISIONS)[number];

/** Decisions after which the rest is planned anew from the state reached. */
export type Onward = Exclude<Decision, 'go on' | 'end job'>;

/** What every event carries; made on the phone that saw it happen. */
export interface EventBase {
  /** Made by the client; the same id always means the same event. */
  readonly id: string;
  readonly deviceId: string;
  /** Counts up on that device from 1. */
  readonly deviceSeq: number;
  /** When it happened by that device's clock, milliseconds since 1970. */
  readonly atMs: number;
}

/** One entry of a run's append-only log. `stopId` names one opening of a bleeder in the plan. */
export type RunEvent = EventBase &
  (
    | { readonly kind: 'prepared'; readonly step: PreparationStep }
    | { readonly kind: 'stroke'; readonly stopId: string }
    | { readonly kind: 'bubbles'; readonly stopId: string; readonly reading: BubbleReading }
    | { readonly kind: 'colour'; readonly stopId: string; readonly colour: Colour }
    | { readonly kind: 'topped up'; readonly bowlId: string }
    /** Bleeder shut by feel, hose off, cap on. */
    | { readonly kind: 'shut'; readonly stopId: string; readonly tightened: 'by feel' }
    /** A stage that opens no bleeder is through: bench, valve, tool cycle, hold point, lever tied back. */
    | { readonly kind: 'stage done'; readonly stageId: string }
    /** Left out by decision, with the reason; it shows at the gate and on the record. */
    | { readonly kind: 'stage skipped'; readonly stageId: string; readonly reason: string }
    /** A new part beside what the vehicle needs, and its pieces counted; what does not fit halts the run. */
    | {
        readonly kind: 'part compared';
        readonly stageId: string;
        readonly found: Readonly<Record<string, Found>>;
        readonly pieces: readonly CountedPiece[];
      }
    /** What proved a clutch, or did not: that halts the run. */
    | ({ readonly kind: 'slave tested'; readonly stageId: string } & SlaveReading)
    /** Preconditions and fault codes, before the tool does anything and at the end. What does not hold halts the run. */
    | {
        readonly kind: 'tool checked';
        readonly stageId: string;
        readonly by: ToolWitness;
        readonly check: ToolCheck;
      }
    /** One step of a tool cycle; one that was aborted halts the run. */
    | {
        readonly kind: 'tool step';
        readonly stageId: string;
        readonly stepId: string;
        readonly by: ToolWitness;
        readonly done: boolean;
        readonly why: string | null;
      }
    | { readonly kind: 'halted'; readonly reason: HaltReason; readonly stopId: string | null }
    | {
        readonly kind: 'decided';
        readonly haltId: string;
        readonly decision: Decision;
        /** As it is stored: the plan of the rest that followed, null where the plan stayed. The phone that decides leaves it out. */
        readonly plan?: Plan | null;
      }
    | { readonly kind: 'undone'; readonly eventId: string }
  );

export type RunEventKind = RunEvent['kind'];
