import { undoOf, type JobEvent, type Known, type Logged } from '../events';
import type { Plan } from '../../bleed/plan';
import type { JobState } from './state';

/** What the log of a job holds, for events that are held against all before them: of many in a row nothing is looked for twice. */
export class LogIndex implements Known {
  /** Every plan that the job ever had, those of decisions that were taken back among them. */
  readonly plans: Plan[];
  readonly undoOf = undoOf;
  private readonly byId = new Map<string, Logged<JobEvent>>();
  private notes = 0;

  constructor({ accepted, log }: Pick<JobState, 'log' | 'accepted'>) {
    this.plans = accepted ? [accepted.plan] : [];
    for (const e of log) this.add(e);
  }

  get mediaNotes(): number {
    return this.notes;
  }

  readonly find = (id: string): Logged<JobEvent> | undefined => this.byId.get(id);

  /** One more, as the log keeps it. */
  add(event: Logged<JobEvent>): void {
    this.byId.set(event.id, event);
    if (event.kind === 'decided' && event.plan) this.plans.push(event.plan);
    if (event.kind === 'media note') this.notes += 1;
  }
}
