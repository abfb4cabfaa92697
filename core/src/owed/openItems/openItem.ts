/** What a vehicle can still owe. */
export const OPEN_ITEM_KINDS = [
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
export type OpenItemKind = (typeof OPEN_ITEM_KINDS)[number];

/** Holds the vehicle, or is owed at the next visit. */
export type OpenItemWeight = 'holds' | 'owed';

/** One thing that a vehicle still owes. */
export interface OpenItem {
  /** Of its job or mark, its kind and its place: the same thing has the same id. */
  readonly id: string;
  readonly kind: OpenItemKind;
  readonly weight: OpenItemWeight;
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

/** Whether an open item is on the list and counted nowhere: by feel is how most of the work is done. */
export const isQuiet = (m: Pick<OpenItem, 'kind'>): boolean => m.kind === 'by feel';

/** Whether an open item keeps its vehicle from being driven. */
export const holds = (m: Pick<OpenItem, 'weight'>): boolean => m.weight === 'holds';
