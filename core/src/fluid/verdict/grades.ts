/** What a cap may name. */
export type Grade = 'DOT 3' | 'DOT 4' | 'DOT 5.1' | 'DOT 5' | 'mineral oil';
export type Chemistry = 'glycol' | 'silicone' | 'mineral';

/** Chemistry of each grade: FMVSS 116 (49 CFR 571.116) for the DOT grades; ISO 7308 for mineral oil. */
export const CHEMISTRY: Readonly<Record<Grade, Chemistry>> = {
  'DOT 3': 'glycol',
  'DOT 4': 'glycol',
  'DOT 5.1': 'glycol',
  'DOT 5': 'silicone',
  'mineral oil': 'mineral',
};

/** Grades in the order in which they are offered; DOT 5 stands apart from DOT 5.1 and says what it is. */
export const GRADES: readonly { readonly grade: Grade; readonly words: string }[] = [
  { grade: 'DOT 3', words: 'DOT 3' },
  { grade: 'DOT 4', words: 'DOT 4' },
  { grade: 'DOT 5.1', words: 'DOT 5.1 (five point one, glycol)' },
  { grade: 'DOT 5', words: 'DOT 5 (five, silicone)' },
  { grade: 'mineral oil', words: 'Mineral oil' },
];

/** The grade in a system where somebody named one. */
export function gradeNamed(inSystem: Grade | 'unknown' | 'empty'): Grade | null {
  return inSystem === 'unknown' || inSystem === 'empty' ? null : inSystem;
}
