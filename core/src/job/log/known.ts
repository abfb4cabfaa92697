import { undoOf, type JobEvent, type Known, type Logged } from '../events';
import type { Plan } from '../../bleed/plan';
import type { JobState } from './state';

type Held = Pick<JobState, 'log' | 'accepted'>;

/** What the log of a job holds, for one event that is held against it. */
export const knownIn = (job: Held): Known => ({
  plans: plansEver(job),
  find: (id) => job.log.find((e) => e.id === id),
  get mediaNotes() {
    return job.log.filter((e) => e.kind === 'media note').length;
  },
  undoOf,
});

/** The same for many events in a row, each held against all before it: nothing is looked for twice. */
export class LogIndex implements Known {
  readonly plans: Plan[];
  readonly undoOf = undoOf;
  private readonly byId: Map<string, Logged<JobEvent>>;
  private notes: number;

  constructor(job: Held) {
    this.plans = plansEver(job);
    this.notes = knownIn(job).mediaNotes;
    this.byId = new Map(job.log.map((e) => [e.id, e]));
  }

  get mediaNotes(): number {
    return this.notes;
  }

  readonly find = (id: string): Logged<JobEvent> | undefined => this.byId.get(id);

  /** One more, as the log keeps it. */
  add(event: Logged<JobEvent>): void {
    this.byId.set(event.id, event);
    if (bringsPlan(event)) this.plans.push(event.plan);
    if (event.kind === 'media note') this.notes += 1;
  }
}

/** Every plan that the job ever had, those of decisions that were taken back among them. */
function plansEver({ accepted, log }: Held): Plan[] {
  const plans = accepted ? [accepted.plan] : [];
  for (const e of log) if (bringsPlan(e)) plans.push(e.plan);
  return plans;
}

const bringsPlan = (e: Logged<JobEvent>): e is Logged<JobEvent> & { readonly plan: Plan } =>
  e.kind === 'decided' && !!e.plan;
