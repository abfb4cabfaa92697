import { bleederName, type Layout } from '../../vehicle/circuit';
import type { JobEvent, Logged, Order } from '../../job/events';
import type { Answered, JobState } from '../../job/log';
import { nameOf, type WorkDone } from '../../bleed/scope';
import type { OpenItem, OpenItemKind, OpenItemWeight } from './openItem';

/** A job as its vehicle knows it. */
export interface JobAbout {
  readonly jobId: string;
  /** Jobs of a vehicle count up in the order in which they were taken in. */
  readonly jobNumber: number;
  readonly openedAtMs: number;
  /** The layout of the vehicle, for a job that has no plan yet. */
  readonly layout: Layout;
  /** What was said of the work, for jobs from before that stood in the log. */
  readonly work?: WorkDone | null;
}

/** Writes the open items of one job. */
export class Writer {
  readonly openItems: OpenItem[] = [];

  constructor(
    private readonly about: JobAbout,
    private readonly layout: Layout,
    private readonly log: readonly Logged<JobEvent>[],
  ) {}

  /** What an open item of this job is known by. */
  idOf(kind: OpenItemKind, where: string | null): string {
    return [this.about.jobId, kind, where ?? 'vehicle'].join(' ');
  }

  add(
    kind: OpenItemKind,
    weight: OpenItemWeight,
    where: string | null,
    because: string,
    by: SaidBy,
    /** What it is called, where the layout does not know it. */
    called: string | null = null,
  ): void {
    const id = this.idOf(kind, where);
    if (this.openItems.some((m) => m.id === id)) return;
    this.openItems.push({
      id,
      kind,
      weight,
      where,
      place: called ?? (where === null ? null : placeOf(this.layout, where)),
      because,
      sinceMs: by.atMs,
      by: by.person,
      ...this.orderOf(by),
      jobId: this.about.jobId,
      jobNumber: this.about.jobNumber,
    });
  }

  /** Where it stands; what nobody can find stands where its job stands now. */
  private orderOf({ eventId, order }: SaidBy): { readonly order?: Order } {
    const found = order ?? (this.log.find((e) => e.id === eventId) ?? this.log.at(-1))?.order;
    return found ? { order: found } : {};
  }
}

/** Who said or did something, when, and where it stands where that is known. */
export type SaidBy = Pick<Answered, 'person' | 'atMs'> & {
  readonly eventId?: string | null;
  readonly order?: Order | undefined;
};

/** Who first said or did what opened the vehicle. */
export function firstOpened(job: JobState): SaidBy {
  const { run, said, accepted } = job;
  const at = run?.openedAtMs ?? null;
  const event = at === null ? null : run!.log.find((e) => e.atMs === at);
  return event ?? said ?? accepted ?? { person: '', atMs: at ?? 0 };
}

/** What a place is called on this vehicle: a control by its control, a bleeder by its place, else its own name. */
export function placeOf(layout: Layout, id: string): string {
  const bleeder = layout.bleeders.find((b) => b.id === id);
  if (bleeder) return bleederName(bleeder);
  return layout.masters.find((m) => m.id === id)?.control ?? nameOf(layout, id);
}
