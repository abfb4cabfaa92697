/** How sure a figure or rule is. Shown with every figure. */
export type Source =
  /** A published source, by name. */
  | { readonly kind: 'standard'; readonly name: string }
  /** Common practice in the trade; there is no source to name. */
  | { readonly kind: 'practice' }
  /** A modelling choice or a value from memory; a starting value that a person can change. */
  | { readonly kind: 'model' }
  /** Typed in or measured on this vehicle or job. */
  | { readonly kind: 'entry' }
  /** Plain arithmetic on the figures named. */
  | { readonly kind: 'arithmetic' };

export const PRACTICE: Source = { kind: 'practice' };
export const MODEL: Source = { kind: 'model' };
export const ENTRY: Source = { kind: 'entry' };
export const ARITHMETIC: Source = { kind: 'arithmetic' };

/**
 * The source in words, as it stands under every figure.
 *
 * @example sourceWords({ kind: 'standard', name: 'ISO 4925:2020' }) is "Standard: ISO 4925:2020"
 */
export function sourceWords(source: Source): string {
  switch (source.kind) {
    case 'standard':
      return `Standard: ${source.name}`;
    case 'practice':
      return 'Common practice in the trade; no published source';
    case 'model':
      return 'Model or value from memory; a starting value, not a measurement';
    case 'entry':
      return 'Entered for this vehicle or job';
    case 'arithmetic':
      return 'Arithmetic on the figures below';
  }
}
