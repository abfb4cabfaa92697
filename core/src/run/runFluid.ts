import type { Plan } from '../plan';
import { CircuitFluid } from '../washout';
import { bowlsRunDry } from './dry';
import type { RunEvent } from './event';

/**
 * The fluid in the layout as a run moves it, for the picture: it follows the
 * log event by event, and only an undo makes it start over. It changes as it
 * is used; keep one for each run that is shown.
 */
export class RunFluid {
  private fluid: CircuitFluid;
  private followed: readonly RunEvent[] = [];
  private inForce: Plan;

  /** @param accepted the plan that the run began with */
  constructor(private readonly accepted: Plan) {
    this.fluid = this.atFirst();
    this.inForce = accepted;
  }

  /** The fluid after the events of a log, as a state's log has them: with the plan that each decision brought. */
  after(log: readonly RunEvent[]): CircuitFluid {
    const goesOn =
      this.followed.length <= log.length && this.followed.every((e, i) => log[i]!.id === e.id);
    if (!goesOn) {
      this.fluid = this.atFirst();
      this.inForce = this.accepted;
      this.followed = [];
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

  private follow(event: RunEvent): void {
    const { bowls, stops } = this.inForce;
    if (event.kind === 'prepared' && event.step === 'empty reservoir')
      for (const b of bowls) this.fluid.emptyBowl(b.id);
    if (event.kind === 'prepared' && event.step === 'fill reservoir')
      for (const b of bowls) this.fluid.fillBowl(b.id, b.maxMl);
    if (event.kind === 'decided' && event.plan) this.inForce = event.plan;
    if (event.kind === 'halted' && event.reason === 'ran dry')
      for (const id of bowlsRunDry(this.inForce, event.stopId)) this.fluid.emptyBowl(id);
    if (event.kind === 'topped up') {
      const bowl = bowls.find((b) => b.id === event.bowlId);
      if (bowl) this.fluid.fillBowl(bowl.id, bowl.maxMl);
    }
    const stop =
      event.kind === 'stroke' ? stops.find((s) => s.id === event.stopId && s.fromBowl) : undefined;
    if (!stop) return;
    // A stroke made against the call draws only what is there: past that it was air.
    const bowl = bowls.find((b) => b.id === stop.bowlId)!;
    const drawnMl = Math.min(stop.strokeMl.value, this.fluid.levelMl(bowl.id) - bowl.airDrawnMl);
    if (drawnMl > 0) this.fluid.bleed(stop.bleeder.id, drawnMl);
  }
}
