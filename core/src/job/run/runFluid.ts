import { halfMl } from '../../hydraulics/order';
import { cameOff, heldBack, type Plan } from '../../bleed/plan';
import { CircuitFluid } from '../../hydraulics/washout';
import type { PlanOpening } from '../../bleed/stages';
import type { Logged, RunEvent } from '../events';
import { countsItself, reservoirsRunDry } from '../standing';

/** Strokes or marks made in a row at one opening. */
interface Made {
  readonly opening: PlanOpening;
  readonly made: number;
}

/**
 * The fluid in the layout as a run moves it, for the picture: it follows the
 * log event by event, and only an undo makes it start over. It changes as it
 * is used; keep one for each run that is shown.
 */
export class RunFluid {
  private fluid: CircuitFluid;
  private followed: readonly Logged<RunEvent>[] = [];
  private inForce: Plan;
  /** Openings of every plan so far, by id: a late stroke belongs to the one that it names. */
  private openings = new Map<string, PlanOpening>();
  private counting: { readonly deviceId: string } | null = null;
  /** Strokes of another source that nobody has judged yet, by id. */
  private asked = new Map<string, Made>();
  /** What each event drew at its opening since the jar was last looked at, mL. */
  private drawnBy = new Map<string, { readonly openingId: string; readonly ml: number }>();
  /** Looks into the jar that said less than was counted: by them the strokes before are made anew, each by its share. */
  private lessSaid = new Set<string>();
  private shareOf = new Map<string, number>();

  /** @param accepted the plan that the run began with */
  constructor(private readonly accepted: Plan) {
    this.fluid = this.atFirst();
    this.inForce = accepted;
    this.takeUp(accepted);
  }

  /** The fluid after the events of a log, as a state's log has them: with the plan that each decision brought. */
  after(log: readonly Logged<RunEvent>[]): CircuitFluid {
    const goesOn =
      this.followed.length <= log.length && this.followed.every((e, i) => log[i]!.id === e.id);
    if (!goesOn) {
      this.lessSaid = new Set();
      this.shareOf = new Map();
      this.startOver();
    }
    for (let i = this.followed.length; i < log.length; i++) {
      const event = log[i]!;
      if (event.kind === 'jar read' && this.saysLess(event)) {
        this.startOver();
        i = -1;
        continue;
      }
      this.follow(event);
    }
    this.followed = log;
    return this.fluid;
  }

  private startOver(): void {
    this.fluid = this.atFirst();
    this.followed = [];
    this.openings = new Map();
    this.asked = new Map();
    this.drawnBy = new Map();
    this.counting = null;
    this.takeUp(this.accepted);
  }

  /** Whether a look into the jar makes strokes before it smaller than they were followed; what was washed too far is not put back. */
  private saysLess({ id, shares = [] }: Extract<Logged<RunEvent>, { kind: 'jar read' }>): boolean {
    const less = shares.filter((s) => s.ml < 0);
    if (less.length === 0 || this.lessSaid.has(id)) return false;
    this.lessSaid.add(id);
    for (const { openingId, ml } of less) {
      const drawn = [...this.drawnBy].filter(([, d]) => d.openingId === openingId);
      const allMl = drawn.reduce((sum, [, d]) => sum + d.ml, 0);
      for (const [eventId] of drawn)
        this.shareOf.set(eventId, (this.shareOf.get(eventId) ?? 1) * Math.max(0, 1 + ml / allMl));
    }
    return true;
  }

  /** Before the first event: what is inside by the plan. */
  private atFirst(): CircuitFluid {
    return new CircuitFluid(this.accepted.layout, this.accepted.inside);
  }

  private takeUp(plan: Plan): void {
    this.inForce = plan;
    for (const opening of plan.openings) this.openings.set(opening.id, opening);
  }

  private follow(event: Logged<RunEvent>): void {
    const { reservoirs } = this.inForce;
    switch (event.kind) {
      case 'prepared':
        if (event.planId !== null && event.planId !== this.inForce.id) return;
        if (event.step === 'empty reservoir')
          for (const b of reservoirs) this.fluid.emptyReservoir(b.id);
        if (event.step === 'clean reservoir')
          for (const { reservoirId, ml, times } of this.inForce.treatment?.rinses ?? [])
            for (let i = 0; i < times; i++) this.fluid.rinseReservoir(reservoirId, ml);
        if (event.step === 'fill reservoir')
          for (const b of reservoirs) this.fluid.fillReservoir(b.id, b.maxMl);
        return;
      case 'decided':
        if (!event.plan) return;
        for (const id of cameOff(this.inForce, event.plan)) this.fluid.comesOff(id);
        this.takeUp(event.plan);
        return;
      case 'stage done': {
        const stage = this.inForce.stages.find((s) => s.id === event.stageId);
        if (stage?.kind === 'hold point')
          for (const id of heldBack(this.inForce)) this.fluid.comesOff(id);
        return;
      }
      case 'level seen': {
        const opening = this.openings.get(event.openingId);
        if (!opening) return;
        const fellMl = this.fluid.levelMl(opening.reservoirId) - event.levelMl;
        if (fellMl > 0) this.drawn(opening, fellMl, fellMl);
        if (event.fluidComes) this.fluid.fillWay(opening.bleeder.id);
        this.fluid.levelSeen(opening.reservoirId, event.levelMl);
        return;
      }
      case 'halted':
        if (event.reason === 'ran dry')
          for (const id of reservoirsRunDry(this.inForce, event.openingId))
            this.fluid.emptyReservoir(id);
        return;
      case 'topped up': {
        const reservoir = reservoirs.find((b) => b.id === event.reservoirId);
        if (reservoir) this.fluid.fillReservoir(reservoir.id, reservoir.maxMl);
        return;
      }
      case 'drawn off': {
        const reservoir = reservoirs.find((b) => b.id === event.reservoirId);
        if (reservoir) this.fluid.drawTo(reservoir.id, halfMl(reservoir));
        return;
      }
      case 'counting':
        this.counting = event;
        return;
      case 'stroke': {
        const opening = this.openings.get(event.openingId);
        if (!opening) return;
        const made = { opening, made: event.made ?? 1 };
        if (!countsItself(this.counting, event)) this.asked.set(event.id, made);
        else this.drawAll(event.id, made);
        this.counting ??= event;
        return;
      }
      case 'strokes judged':
        for (const id of event.eventIds) {
          const made = this.asked.get(id);
          if (made && event.count) this.drawAll(id, made);
          this.asked.delete(id);
        }
        return;
      case 'jar read':
        for (const { openingId, ml } of event.shares ?? []) {
          const opening = this.openings.get(openingId);
          if (opening && ml > 0) this.moreDrawn(opening, ml);
        }
        this.drawnBy = new Map();
        return;
      case 'jar set':
        this.drawnBy = new Map();
    }
  }

  private drawAll(eventId: string, { opening, made }: Made): void {
    const share = this.shareOf.get(eventId) ?? 1;
    let allMl = 0;
    for (let n = 0; n < made; n++) allMl += this.draw(opening, share);
    this.drawnBy.set(eventId, { openingId: opening.id, ml: allMl });
  }

  /** @returns what it drew, mL */
  private draw(opening: PlanOpening, share: number): number {
    const { strokeMl, mostStrokeMl, mostMlS, bleeder } = opening;
    this.keptFull(opening);
    if (!opening.fromReservoir) {
      this.fluid.pushUp(bleeder.id, strokeMl.value);
      return strokeMl.value;
    }
    // A mark in the jar says that the way is full.
    const ml = strokeMl.value * share + (mostMlS ? this.fluid.emptyOnWayMl(bleeder.id) : 0);
    this.drawn(opening, ml, Math.max(ml, mostStrokeMl.value));
    this.keptFull(opening);
    return ml;
  }

  /** What the jar holds and nobody counted: its way is full, and the reservoir gave that as well. */
  private moreDrawn(opening: PlanOpening, ml: number): void {
    this.keptFull(opening);
    const allMl = ml + this.fluid.emptyOnWayMl(opening.bleeder.id);
    // A reservoir that is kept full gives it a filling at a time.
    const atOnceMl = opening.selfFed ? opening.strokeMl.value : allMl;
    for (let leftMl = allMl; leftMl > 1e-9; leftMl -= atOnceMl) {
      const drawnMl = Math.min(leftMl, atOnceMl);
      this.drawn(opening, drawnMl, drawnMl);
      this.keptFull(opening);
    }
  }

  /** A pot or a self-refilling bottle brings its reservoir to MAX. */
  private keptFull(opening: PlanOpening): void {
    const reservoir =
      opening.selfFed && this.inForce.reservoirs.find((b) => b.id === opening.reservoirId);
    if (reservoir) this.fluid.fillReservoir(reservoir.id, reservoir.maxMl);
  }

  /** What was drawn against the call is only what was there: past that it was air. */
  private drawn(opening: PlanOpening, ml: number, mostMl: number): void {
    const reservoir = this.inForce.reservoirs.find((b) => b.id === opening.reservoirId);
    if (!reservoir) return;
    const drawnMl = Math.min(ml, this.fluid.levelMl(reservoir.id) - reservoir.airDrawnMl);
    if (drawnMl > 0) this.fluid.bleed(opening.bleeder.id, drawnMl, mostMl);
  }
}
