import { clear, createStore, del, entries, get, set } from 'idb-keyval';

/** Answers of the server as they last came, so that what was looked at can be looked at without reception. */
const store = createStore('brook-answers', 'answers');
/** Jobs and vehicles that are kept; older ones make room. */
const MOST = 40;

interface Kept {
  readonly atMs: number;
  readonly answer: unknown;
}

/** Keep an answer. Where the phone has no room it is not kept: what was tapped stands elsewhere. */
export async function keepAnswer(path: string, answer: unknown): Promise<void> {
  try {
    await set(path, { atMs: Date.now(), answer } satisfies Kept, store);
    await makeRoom();
  } catch {
    // No room, or no store at all: then this page cannot be shown without reception.
  }
}

/** The answer as it last came, or undefined. */
export async function keptAnswer<T>(path: string): Promise<T | undefined> {
  try {
    return (await get<Kept>(path, store))?.answer as T | undefined;
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
  const all = await entries<string, Kept>(store);
  const oldest = all.sort(([, a], [, b]) => b.atMs - a.atMs).slice(MOST);
  for (const [path] of oldest) await del(path, store);
}
