import type { ChildProcess } from 'node:child_process';
import { setTimeout as wait } from 'node:timers/promises';

/** So many ends in such a time are one too many: then something is wrong that a start does not mend. */
export const MOST_ENDS = 5;
export const WITHIN_MS = 60_000;
const FIRST_WAIT_MS = 100;

/** How long to wait before the next start, ms, after these ends; null when it is given up. */
export function waitBeforeStart(
  endsMs: readonly number[],
  nowMs: number,
  most = MOST_ENDS,
): number | null {
  const recent = endsMs.filter((t) => nowMs - t < WITHIN_MS).length;
  return recent > most ? null : FIRST_WAIT_MS * 2 ** Math.min(5, Math.max(0, recent - 1));
}

export interface SupervisorOptions {
  /** What it is, as the person reads it. */
  readonly what: string;
  /** Start it; resolves when it is ready. */
  readonly begin: () => Promise<ChildProcess>;
  /** How often it may end within a minute; five times when left out. */
  readonly mostEnds?: number | undefined;
  readonly say: (line: string) => void;
  /** It ended too often; the sentence says what to do. */
  readonly givenUp: (sentence: string) => void;
}

/** A process that is started again when it ends by itself, until that happens too often. */
export class Supervisor {
  private child: ChildProcess | null = null;
  private ends: number[] = [];
  private stopping = false;

  constructor(private readonly options: SupervisorOptions) {}

  /** @throws when it does not come up the first time */
  async start(): Promise<void> {
    this.watch(await this.options.begin());
  }

  /** Its process id, null while it is down. */
  get pid(): number | null {
    return this.child?.pid ?? null;
  }

  /** Its process, to be stopped by whoever knows how; it is not started again. */
  release(): ChildProcess | null {
    this.stopping = true;
    return this.child;
  }

  private watch(child: ChildProcess): void {
    this.child = child;
    const ended = (code: number | null, signal: string | null) =>
      void this.again(signal ?? `code ${code}`);
    if (child.exitCode !== null || child.signalCode !== null)
      ended(child.exitCode, child.signalCode);
    else child.once('exit', ended);
  }

  private async again(how: string): Promise<void> {
    this.child = null;
    const { what, begin, say, givenUp } = this.options;
    for (let reason = how; !this.stopping; ) {
      const now = Date.now();
      this.ends = [...this.ends.filter((t) => now - t < WITHIN_MS), now];
      const waitMs = waitBeforeStart(this.ends, now, this.options.mostEnds);
      if (waitMs === null) {
        givenUp(
          `${what} ended ${this.ends.length} times within a minute, last by ${reason}; it is not started again. The lines above say why. Nothing that was recorded is lost: put that right and run npm start again.`,
        );
        return;
      }
      say(`${what} ended (${reason}); starting it again.`);
      await wait(waitMs);
      if (this.stopping) return;
      try {
        const child = await begin();
        if (this.stopping) child.kill('SIGTERM');
        else {
          say(`${what} is up again.`);
          this.watch(child);
        }
        return;
      } catch (error) {
        reason = (error as Error).message;
      }
    }
  }
}
