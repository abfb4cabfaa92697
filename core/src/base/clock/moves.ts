// Apart from the log as well: the first page learns by it that a list is out of date.

/** What is said at an opening that ends its flow, or says what it gave; a decision ends all of them. */
export const ENDS_FLOW = [
  'flow set',
  'jar read',
  'level seen',
  'stroke',
  'shut',
  'halted',
  'decided',
] as const;

/** Whether an event may change which clocks run. @param running those that run before it */
export const movesClocks = (
  { kind }: { readonly kind: string },
  running: readonly { readonly ofRun?: true | undefined }[] = [],
): boolean =>
  kind === 'clock started' ||
  kind === 'clock ended' ||
  kind === 'flow set' ||
  kind === 'tool step' ||
  kind === 'tool checked' ||
  kind === 'undone' ||
  ((ENDS_FLOW as readonly string[]).includes(kind) && running.some((c) => c.ofRun));
