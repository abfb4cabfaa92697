import type { JobPage } from '@brook/contract';
import type { Measured } from './report';
import { cookieOf } from './jobList';

const TIMES = 20;

/** One page A4 of a released job, from the request to its last byte. */
export async function cardPdf(url: string): Promise<Measured> {
  const headers = { cookie: await cookieOf(url, 'una', 'skerrow-demo') };
  const list = await fetch(`${url}/api/v1/jobs?limit=100`, { headers });
  const { jobs } = (await list.json()) as JobPage;
  const released = jobs.find((j) => j.stage === 'released')!;
  const runs: number[] = [];
  for (let i = 0; i < TIMES; i++) {
    const start = performance.now();
    const answer = await fetch(`${url}/api/v1/jobs/${released.id}/card.pdf`, { headers });
    const { byteLength } = await answer.arrayBuffer();
    if (!answer.ok || byteLength === 0) throw new Error(`the card was answered ${answer.status}`);
    runs.push(performance.now() - start);
  }
  return { name: 'card.pdf', unit: 'ms', limit: 1_000, runs };
}
