/** What a vehicle can still owe. */
export const MATTER_KINDS = [
  'control not proved',
  'control soft',
  'air possible',
  'part off',
  'not back on',
  'tool cycle owed',
  'base bleed owed',
  'bleeder left',
  'seized',
  'snapped',
  'leak',
  'stop verdict',
  'drive failed',
  'marked',
  'done after close',
  'old fluid',
  'look again',
  'tightness',
  'by feel',
  'lamp lit',
] as const;
export type MatterKind = (typeof MATTER_KINDS)[number];

/** Holds the vehicle, or is owed at the next visit. */
export type MatterWeight = 'holds' | 'owed';

/** One thing that a vehicle still owes. */
export interface Matter {
  /** Of its job or mark, its kind and its place: the same thing has the same id. */
  readonly id: string;
  readonly kind: MatterKind;
  readonly weight: MatterWeight;
  /** Bleeder, master, node or part; null where it is the whole vehicle. */
  readonly where: string | null;
  /** The name of that place as it was called then. */
  readonly place: string | null;
  /** How it came about, in words. */
  readonly because: string;
  /** Milliseconds since 1970. */
  readonly sinceMs: number;
  readonly by: string;
  /** Job that left it; null where a person said it of the vehicle outside any. */
  readonly jobId: string | null;
  readonly jobNumber: number | null;
}

/** Whether a matter is on the list and counted nowhere: by feel is how most of the work is done. */
export const isQuiet = (m: Pick<Matter, 'kind'>): boolean => m.kind === 'by feel';

/** Whether a matter keeps its vehicle from being driven. */
export const holds = (m: Pick<Matter, 'weight'>): boolean => m.weight === 'holds';
