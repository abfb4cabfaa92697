import type { OpenItemKind, Order } from '../../job/events';

export { OPEN_ITEM_KINDS, type OpenItemKind } from '../../job/events';

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
  /** Milliseconds since 1970, as its phone said. */
  readonly sinceMs: number;
  /** Where it stands in the order of its vehicle; left out while only a phone has it. */
  readonly order?: Order | undefined;
  readonly by: string;
  /** Job that left it; null where a person said it of the vehicle outside any. */
  readonly jobId: string | null;
  readonly jobNumber: number | null;
  /** Said in a job that was moved to another vehicle since. */
  readonly leftBehind?: true | undefined;
}

/** Whether a named person's look clears an open item: a mark by hand, and what a job left behind that was moved away. */
export const clearsByLook = (m: Pick<OpenItem, 'kind' | 'leftBehind'>): boolean =>
  m.kind === 'marked' || m.leftBehind === true;

/** Whether an open item is on the list and counted nowhere: by feel is how most of the work is done. */
export const isQuiet = (m: Pick<OpenItem, 'kind'>): boolean => m.kind === 'by feel';

/** Whether an open item keeps its vehicle from being driven. */
export const holds = (m: Pick<OpenItem, 'weight'>): boolean => m.weight === 'holds';
