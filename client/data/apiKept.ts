import { api, Offline } from './api';
import { keepAnswer, keptAnswer } from './keptAnswers';

/**
 * Ask for something that is kept on this phone: without reception it is what it
 * was when it last came.
 *
 * @throws ApiProblem when the server refuses, Offline when nothing is kept either
 */
export async function apiKept<T>(path: string): Promise<T> {
  try {
    const answer = await api<T>(path);
    void keepAnswer(path, answer);
    return answer;
  } catch (error) {
    const kept = error instanceof Offline ? await keptAnswer<T>(path) : undefined;
    if (kept === undefined) throw error;
    return kept;
  }
}
