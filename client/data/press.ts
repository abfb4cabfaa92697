import { v4 as uuid } from '@lukeed/uuid/secure';

let current: string | null = null;

/**
 * The name of the press that is under way: whatever is said before the press is
 * over carries it, and is taken back with it. A handler runs through before
 * anything else does.
 */
export function pressName(): string {
  if (current === null) {
    current = uuid();
    queueMicrotask(() => {
      current = null;
    });
  }
  return current;
}
