/** One thing to lay out before the start. */
export interface Material {
  readonly kind: 'wrench' | 'tool' | 'kit' | 'cap' | 'protection';
  readonly what: string;
  /** What it is for, or null where it speaks for itself. */
  readonly for: string | null;
}
