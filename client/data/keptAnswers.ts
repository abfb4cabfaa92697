import { clear, createStore, del, entries, get, update } from 'idb-keyval';

/** Answers of the server as they last came, so that what was looked at can be looked at without reception. */
const store = createStore('brook-answers', 'answers');
/** Jobs and vehicles that are kept; older ones make room. */
const MOST = 40;

/** Version of what answers hold: it counts up where a page cannot do without something that older ones lack. */
const ANSWERS_SHAPE = 4;

interface StoredAnswer {
  /** Missing in the first. */
  readonly shape?: number;
  readonly atMs: number;
  readonly answer: unknown;
}

const isOfToday = (kept: StoredAnswer | undefined): kept is StoredAnswer =>
  kept?.shape === ANSWERS_SHAPE;

/** What grows in an answer that has it: a job's log, and the version of whatever has one. */
interface Growing {
  readonly events?: readonly unknown[];
  readonly version?: number;
}

/** Whether an answer tells less than another one of the same: another tab, or one that was overtaken. */
function isOlder(answer: Growing | null, known: Growing | null): boolean {
  return (
    (answer?.events?.length ?? 0) < (known?.events?.length ?? 0) ||
    (answer?.version ?? 0) < (known?.version ?? 0)
  );
}

/**
 * Keep an answer, unless more is kept already: two tabs keep the same things.
 * Where the phone has no room it is not kept: what was tapped stands elsewhere.
 */
export async function keepAnswer(path: string, answer: unknown): Promise<void> {
  try {
    await update<StoredAnswer>(
      path,
      (before) =>
        isOfToday(before) && isOlder(answer as Growing | null, before.answer as Growing | null)
          ? before
          : { shape: ANSWERS_SHAPE, atMs: Date.now(), answer },
      store,
    );
    await makeRoom();
  } catch {
    // No room, or no store at all: then this page cannot be shown without reception.
  }
}

/** The answer as it last came, or undefined; so where an older app kept it. */
export async function keptAnswer<T>(path: string): Promise<T | undefined> {
  try {
    const kept = await get<StoredAnswer>(path, store);
    return isOfToday(kept) ? (kept.answer as T) : undefined;
  } catch {
    return undefined;
  }
}

/** Forget everything: somebody else may take this phone. */
export async function forgetAnswers(): Promise<void> {
  try {
    await clear(store);
  } catch {
    // Where nothing could be kept there is nothing to forget.
  }
}

async function makeRoom(): Promise<void> {
  const all = await entries<string, StoredAnswer>(store);
  const oldest = all.sort(([, a], [, b]) => b.atMs - a.atMs).slice(MOST);
  for (const [path] of oldest) await del(path, store);
}
