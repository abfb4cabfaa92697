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
  'wrong fluid',
  'wrong grade',
  'product not known',
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

/** Something that an event brings against its vehicle by itself, and where: bleeder, master, part; null where it is the whole vehicle. */
export interface Brought {
  readonly what: OpenItemKind;
  readonly where: string | null;
  /** Owed at the next visit; else it holds the vehicle. */
  readonly owed?: true;
}
