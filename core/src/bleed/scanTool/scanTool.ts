import type { ToolCheck, ToolStep } from './cycle';

/** How one step ended by the tool's own word. */
export type ToolOutcome = { readonly done: true } | { readonly done: false; readonly why: string };

/**
 * The fewest verbs that a scan tool needs. `connect` opens a session; `check`
 * reads preconditions and fault codes; `run` carries out one step and answers
 * when the tool says that it is over. All but `disconnect` fail with `ToolLost`
 * when the link is gone.
 */
export interface ScanTool {
  /** Whether it only stands in for one: what it does reaches no vehicle. */
  readonly practice: boolean;
  connect(): Promise<void>;
  check(): Promise<ToolCheck>;
  run(step: ToolStep): Promise<ToolOutcome>;
  disconnect(): void;
}

/** The link to the tool is gone, or no session was opened. */
export class ToolLost extends Error {
  constructor() {
    super(
      'The scan tool is out of reach. Look at its plug and connect again, or type what it shows.',
    );
  }
}
