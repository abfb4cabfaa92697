/** A draft together with what it was built on. */
export interface Built<T> {
  /** Version of the record that the draft was built on. */
  readonly version: number;
  /** What the record held then. */
  readonly base: T;
  readonly draft: T;
}

/** A draft brought to the record as it stands now, and the fields that both sides changed to something else. */
export interface Merged<T> {
  readonly built: Built<T>;
  readonly conflicts: readonly (keyof T)[];
}

/**
 * Bring a draft to a record that somebody else changed meanwhile. What only one
 * side changed is taken; what both changed differently stays as it is in the
 * draft and is named, for a person to decide.
 */
export function broughtTo<T extends object>(
  built: Built<T>,
  version: number,
  theirs: T,
): Merged<T> {
  if (built.version === version) return { built, conflicts: [] };
  // Of all three: an element may be gone on one side, or new.
  const keys = [
    ...new Set([...Object.keys(theirs), ...Object.keys(built.draft), ...Object.keys(built.base)]),
  ] as (keyof T)[];
  const conflicts = keys.filter(
    (k) =>
      !sameData(built.draft[k], built.base[k]) &&
      !sameData(theirs[k], built.base[k]) &&
      !sameData(theirs[k], built.draft[k]),
  );
  const taken = keys.filter((k) => sameData(built.draft[k], built.base[k]));
  const draft = { ...built.draft };
  for (const k of taken) draft[k] = theirs[k];
  return { built: { version, base: theirs, draft }, conflicts };
}

/** The same draft with some fields as the others have them. */
export function withTheirs<T extends object>(
  { version, base, draft }: Built<T>,
  keys: readonly (keyof T)[],
): Built<T> {
  const changed = { ...draft };
  for (const k of keys) changed[k] = base[k];
  return { version, base, draft: changed };
}

/** Plain data that reads the same. */
export const sameData = (a: unknown, b: unknown): boolean =>
  JSON.stringify(a) === JSON.stringify(b);
