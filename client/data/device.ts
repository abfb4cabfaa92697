import { v4 as uuid } from '@lukeed/uuid/secure';

const KEY = 'brook.device';

/** This phone's name in the log, made once and kept. */
export function deviceId(): string {
  const kept = localStorage.getItem(KEY);
  if (kept) return kept;
  const made = uuid();
  localStorage.setItem(KEY, made);
  return made;
}
