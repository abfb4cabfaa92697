import type { StoredFluidRead } from '@brook/core/job/log';
import type { StoredPlan } from '@brook/core/bleed/plan';

/** A person and a moment, as old rows kept them. */
interface OldNamed {
  readonly by: string;
  readonly at: string;
}

/** An event of a run as it was kept before there was one log: without a plan, and with the ids of the plan in force. */
export interface OldRunEvent {
  readonly id: string;
  readonly deviceId: string;
  readonly deviceSeq: number;
  readonly atMs: number;
  readonly kind: string;
  readonly stopId?: string | null;
  readonly stageId?: string;
  readonly eventId?: string;
  readonly decision?: string;
  readonly plan?: StoredPlan | null;
}

/** A job as it stood in its columns and in the log of its run, before there was one log. */
export interface OldJob {
  readonly id: string;
  readonly openedAt: Date;
  readonly openedBy: string;
  readonly closedAt: Date | null;
  readonly stage: string;
  readonly fluid: StoredFluidRead | null;
  readonly planResult: { readonly verdict: string; readonly plan?: StoredPlan } | null;
  readonly planAccepted: OldNamed | null;
  readonly pick: { readonly kind: string } | null;
  readonly proof: {
    readonly pedal?: string | null;
    readonly checks?: Readonly<Record<string, boolean>>;
    readonly by?: string | null;
  } | null;
  readonly drives:
    | readonly (OldNamed & { readonly setBy?: string; readonly result: 'good' | 'bad' | null })[]
    | null;
  readonly released: OldNamed | null;
  readonly ended: (OldNamed & { readonly reason: string }) | null;
  readonly run: readonly { readonly event: OldRunEvent; readonly by: string }[];
  readonly moved: {
    readonly by: string;
    readonly at: Date;
    readonly bledMl: number;
    readonly bledBy: 'strokes' | 'measured';
    readonly removedMl: number;
    readonly spilledMl: number;
    readonly discardedMl: number;
    readonly caughtMl: number;
  } | null;
  readonly draws: readonly {
    readonly containerId: string;
    readonly pouredMl: number;
    readonly discardedMl: number;
  }[];
}
