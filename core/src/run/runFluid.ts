import type { Plan } from '../plan';
import { CircuitFluid } from '../washout';
import { bowlsRunDry } from './dry';
import type { PlanStop } from '../stages';
import { countsItself } from './counting';
import type { Kept, RunEvent } from './event';

/**
 * The fluid in the layout as a run moves it, for the picture: it follows the
 * log event by event, and only an undo makes it start over. It changes as it
 * is used; keep one for each run that is shown.
 */
export class RunFluid {
  private fluid: CircuitFluid;
  private followed: readonly Kept<RunEvent>[] = [];
  private inForce: Plan;
  /** Openings of every plan so far, by id: a late stroke belongs to the one that it names. */
  private stops = new Map<string, PlanStop>();
  private counting: { readonly deviceId: string } | null = null;
  /** Strokes of another source that nobody has judged yet, by id. */
  private asked = new Map<string, PlanStop>();

  /** @param accepted the plan that the run began with */
  constructor(private readonly accepted: Plan) {
    this.fluid = this.atFirst();
    this.inForce = accepted;
    this.takeUp(accepted);
  }

  /** The fluid after the events of a log, as a state's log has them: with the plan that each decision brought. */
  after(log: readonly Kept<RunEvent>[]): CircuitFluid {
    const goesOn =
      this.followed.length <= log.length && this.followed.every((e, i) => log[i]!.id === e.id);
    if (!goesOn) {
      this.fluid = this.atFirst();
      this.followed = [];
      this.stops = new Map();
      this.asked = new Map();
      this.counting = null;
      this.takeUp(this.accepted);
    }
    for (const event of log.slice(this.followed.length)) this.follow(event);
    this.followed = log;
    return this.fluid;
  }

  /** Before the first event: old fluid everywhere, in a new or dry system nothing above the outlets. */
  private atFirst(): CircuitFluid {
    const fluid = new CircuitFluid(this.accepted.layout);
    if (this.accepted.work.purpose === 'new or dry')
      for (const b of this.accepted.bowls) fluid.emptyBowl(b.id);
    return fluid;
  }

  private takeUp(plan: Plan): void {
    this.inForce = plan;
    for (const stop of plan.stops) this.stops.set(stop.id, stop);
  }

  private follow(event: Kept<RunEvent>): void {
    const { bowls } = this.inForce;
    switch (event.kind) {
      case 'prepared':
        if (event.planId !== null && event.planId !== this.inForce.id) return;
        if (event.step === 'empty reservoir') for (const b of bowls) this.fluid.emptyBowl(b.id);
        if (event.step === 'fill reservoir')
          for (const b of bowls) this.fluid.fillBowl(b.id, b.maxMl);
        return;
      case 'decided':
        if (event.plan) this.takeUp(event.plan);
        return;
      case 'halted':
        if (event.reason === 'ran dry')
          for (const id of bowlsRunDry(this.inForce, event.stopId)) this.fluid.emptyBowl(id);
        return;
      case 'topped up': {
        const bowl = bowls.find((b) => b.id === event.bowlId);
        if (bowl) this.fluid.fillBowl(bowl.id, bowl.maxMl);
        return;
      }
      case 'counting':
        this.counting = event;
        return;
      case 'stroke': {
        const stop = this.stops.get(event.stopId);
        if (!stop) return;
        if (!countsItself(this.counting, event)) this.asked.set(event.id, stop);
        else this.draw(stop);
        this.counting ??= event;
        return;
      }
      case 'strokes judged':
        for (const id of event.eventIds) {
          const stop = this.asked.get(id);
          if (stop && event.count) this.draw(stop);
          this.asked.delete(id);
        }
    }
  }

  /** A stroke made against the call draws only what is there: past that it was air. */
  private draw(stop: PlanStop): void {
    if (!stop.fromBowl) return;
    const bowl = this.inForce.bowls.find((b) => b.id === stop.bowlId);
    if (!bowl) return;
    const drawnMl = Math.min(stop.strokeMl.value, this.fluid.levelMl(bowl.id) - bowl.airDrawnMl);
    if (drawnMl > 0) this.fluid.bleed(stop.bleeder.id, drawnMl);
  }
}
