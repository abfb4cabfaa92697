import type { Plan } from '../../bleed/plan';
import type { Layout } from '../../vehicle/circuit';
import { slipped, takenBack, type Seen } from './press';

export type { Seen };
/*
 * A second witness: it reads the raw events of a vehicle in their order and says
 * why it must not be driven, by the rules of safety alone. Written apart, plain
 * and slow: of the product it takes types and data, no rule. What nobody has to
 * ask it does not ask; where it and the product differ, one of them is wrong.
 */

/** What is asked: the order of a vehicle, its layout, and the plans that each job had. */
export interface Case {
  readonly layout: Layout;
  readonly order: readonly Seen[];
  readonly plans: ReadonlyMap<number, readonly Plan[]>;
  /** Jobs that were moved to another vehicle. */
  readonly movedAway?: ReadonlySet<number>;
}

type Said = Seen['event'];

/** Why a vehicle must not be driven; empty where nothing does. */
export function objections(given: Case): string[] {
  return [...new Set(new Witness(given).reasons())];
}

/** The same with the drive alone outstanding: as if the last job that was sent on it were released at the end. */
export function objectionsToDrive(given: Case): string[] {
  const last = [...given.order].reverse().find((s) => s.event.kind === 'drive set');
  if (!last) return ['nobody set a test drive'];
  const end = (given.order.at(-1)?.position ?? 0) + 1;
  const event = { ...last.event, id: 'as if', kind: 'released' } as unknown as Said;
  const asIf: Seen = { position: end, receivedDay: last.receivedDay, job: last.job, event };
  return objections({ ...given, order: [...given.order, asIf] });
}

class Witness {
  private readonly order: readonly Seen[];
  private readonly gone: ReadonlySet<string>;
  private readonly slips: ReadonlySet<string>;
  private readonly releases: readonly Seen[];
  private readonly answered = new Map<string, Answer[]>();

  constructor(private readonly given: Case) {
    this.order = [...given.order].sort((a, b) => a.position - b.position);
    this.gone = takenBack(this.order);
    this.slips = slipped(this.order, this.gone);
    this.releases = this.order.filter((r) => r.event.kind === 'released');
  }

  reasons(): string[] {
    return this.order.flatMap((s) => (this.slips.has(s.event.id) ? [] : this.against(s)));
  }

  private stands = (s: Seen): boolean => !this.gone.has(s.event.id);

  /** What one event says against the vehicle and nothing behind it has ended. */
  private against(s: Seen): string[] {
    const e = s.event;
    const out: string[] = [];
    const unless = (ended: boolean, why: string) => {
      if (!ended) out.push(why);
    };
    // Bad news that is taken back later asks what was looked at; what was done on the vehicle was done.
    switch (e.kind) {
      case 'marked':
        unless(this.looked(e.id) || this.provedAfter(s, this.masters()), `marked: ${e.reason}`);
        break;
      case 'topped up':
      case 'prepared':
        if (e.product === null) unless(this.rubber(s), 'nobody knows what was poured');
        else if (e.product?.remedy.startsWith('strip')) unless(this.rubber(s), 'wrong fluid');
        else if (e.product?.remedy.startsWith('flush'))
          for (const b of this.fedBy(e.kind === 'topped up' ? e.reservoirId : null))
            unless(this.bledAfter(s, b), `wrong grade at ${b}`);
        break;
      case 'halted':
        if (e.reason === 'grease' || e.reason === 'other product')
          unless(this.rubber(s), `${e.reason} came`);
        else if (this.stands(s)) this.halt(s, e, unless);
        break;
      case 'undone':
        this.undo(s, e.eventId, unless);
        break;
      default:
        if (this.stands(s)) this.standing(s, e, unless);
    }
    return out;
  }

  private standing(s: Seen, e: Said, unless: (ended: boolean, why: string) => void): void {
    switch (e.kind) {
      case 'pedal judged':
        if (isBadPedal(e.result))
          unless(this.answeredAfter(s, e.masterId, 'result'), `pedal: ${e.result}`);
        break;
      case 'take-up judged':
        if (e.takeUp === 'near the end')
          unless(this.answeredAfter(s, e.masterId, 'result'), 'takes up near the end');
        break;
      case 'checked':
        if (!e.passes)
          unless(this.answeredAfter(s, e.masterId ?? null, e.item), `not right: ${e.item}`);
        break;
      case 'sink watched':
        // Between the clearest of pedals and this nobody argues.
        if (e.mm >= 20 && e.when === 'after')
          unless(this.measuredAfter(s, e.masterId), `sank ${e.mm} mm`);
        break;
      case 'taken off':
        unless(this.provedAfter(s, this.mastersOf(e.elementId)), 'a part was taken off');
        break;
      case 'came off':
        unless(this.isBack(s), `off: ${e.what}`);
        if (OPENS.includes(e.what))
          for (const b of this.behind(e.elementId, s))
            unless(this.bledAfter(s, b), `air behind ${b}`);
        if (OPENS.includes(e.what) || CONTROLS.includes(e.what))
          unless(this.provedAfter(s, this.mastersOf(e.elementId)), `not proved after ${e.what}`);
        break;
      case 'joint tightened':
        if (e.appliedNm !== null && e.manualNm !== null)
          if (e.appliedNm > 1.2 * e.manualNm || e.appliedNm < 0.9 * e.manualNm)
            unless(this.jointAfter(s, e.elementId), 'a joint far from its value');
        break;
      case 'bubbles':
      case 'round broken':
        if (e.kind === 'bubbles' && e.reading === 'none') break;
        for (const b of this.at(s, e.openingId)) unless(this.clearAfter(s, b), `${e.kind} at ${b}`);
        break;
      case 'shut early':
        for (const b of this.at(s, e.openingId)) unless(this.shutGood(s, b), `shut early at ${b}`);
        break;
      case 'level seen':
        if (e.levelMl <= 0)
          for (const b of this.at(s, e.openingId)) unless(this.clearAfter(s, b), `dry at ${b}`);
        break;
      case 'pressure set':
        if (e.on)
          unless(
            this.later(s, (x) => x.kind === 'pressure set') || this.provedAfter(s, this.masters()),
            'pot under pressure',
          );
        break;
      case 'stroke':
      case 'shut':
      case 'opened again':
      case 'bleeder opened':
        for (const m of this.masterOfOpening(s, e.openingId))
          unless(this.provedAfter(s, [m]), `${e.kind}, not proved after it`);
        break;
      case 'drive ended':
        if (e.result === 'bad') unless(this.provedAfter(s, []), 'the drive went badly');
        break;
      case 'ended':
        // What halted the run speaks for itself.
        if (e.stop && !this.before(s).some((x) => 'decision' in x.event && isEnd(x.event)))
          unless(this.rubber(s) || this.releasesAfter(s).length > 0, 'the fluid stopped it');
        break;
      case 'work said':
        this.said(s, e, unless);
        break;
      default:
    }
  }

  private said(
    s: Seen,
    { work }: Extract<Said, { readonly kind: 'work said' }>,
    unless: (ended: boolean, why: string) => void,
  ): void {
    const away = this.given.movedAway?.has(s.job!) ?? false;
    const looks = away && this.lookedAtJob(s);
    const last = !this.order.some(
      (x) => x.job === s.job && x.event.kind === 'work said' && x.position > s.position,
    );
    if (!last) return;
    const soft = work.purpose === 'soft pedal' || (work.also ?? []).includes('soft');
    if (soft) unless(looks || this.provedAfter(s, work.masterIds, true), 'it came soft');
    for (const f of work.found ?? [])
      if (f.what === 'wet joint')
        unless(looks || this.mended(s, 'leak', true), 'it came with a wet joint');
    for (const p of work.parts)
      if (!p.notYet) {
        unless(looks || this.provedAfter(s, this.mastersOf(p.partId), true), 'a part was changed');
        for (const b of this.behind(p.partId, s))
          unless(looks || this.bledAfter(s, b, true), `air ${b}`);
      }
    if (work.modulatorOpened) unless(looks || this.cycled(s), 'the modulator was opened');
  }

  private halt(
    s: Seen,
    e: Extract<Said, { readonly kind: 'halted' }>,
    unless: (ended: boolean, why: string) => void,
  ): void {
    const cured = this.later(
      s,
      (x) =>
        x.kind === 'decided' &&
        x.haltId === e.id &&
        !['end job', 'leave shut'].includes(x.decision),
    );
    switch (e.reason) {
      case 'leak':
        unless(this.mended(s, e.id), 'a leak');
        break;
      case 'ran dry':
        for (const b of this.bowlOf(this.at(s, e.openingId)))
          unless(cured || this.bledAfter(s, b), `ran dry, ${b}`);
        break;
      case 'snapped':
      case 'seized':
      case 'nothing comes':
      case 'air never ends':
        for (const b of this.at(s, e.openingId))
          unless(cured || this.bledAfter(s, b), `${e.reason} at ${b}`);
        break;
      case 'pedal not right':
        unless(cured || this.provedAfter(s, this.masters()), 'pedal not right');
        break;
      default:
    }
  }

  /** An undo takes the ground away from what stood on it: after the record asks again. */
  private undo(s: Seen, eventId: string, unless: (ended: boolean, why: string) => void): void {
    if (!this.stands(s)) return;
    const of = this.order.find((x) => x.event.id === eventId);
    if (!of || of.job === null || !this.closedBefore(of.job, s.position)) return;
    if (['pedal judged', 'checked', 'take-up judged', 'shut', 'stroke'].includes(of.event.kind))
      unless(this.provedAfter(s, []), `taken back after the end: ${of.event.kind}`);
  }

  // What ends what -------------------------------------------------------------

  /** Whether whoever made an event had heard of one before it. */
  private knew(later: Seen, of: Seen): boolean {
    if (later.position <= of.position) return false;
    const own =
      later.job === of.job &&
      later.event.deviceId === of.event.deviceId &&
      later.event.deviceSeq >= of.event.deviceSeq;
    return own || of.position <= Math.min(later.event.heard ?? 0, later.position - 1);
  }

  /** Whether a job was taken in when something was there already. */
  private tookOver(job: number | null, s: Seen): boolean {
    const first = this.order.find((x) => x.job === job);
    return first !== undefined && first.position > s.position;
  }

  private later(s: Seen, is: (e: Said) => boolean): boolean {
    return this.order.some((x) => x.position > s.position && this.stands(x) && is(x.event));
  }

  private before = (r: Seen) =>
    this.order.filter((x) => x.job === r.job && x.position < r.position && this.stands(x));

  private releasesAfter = (s: Seen) => this.releases.filter((r) => r.position > s.position);

  private looked(openItemId: string): boolean {
    return this.order.some(
      (x) => x.event.kind === 'looked at' && x.event.openItemId === openItemId && this.stands(x),
    );
  }

  private lookedAtJob(s: Seen): boolean {
    return this.order.some((x) => x.event.kind === 'looked at' && x.position > s.position);
  }

  private closedBefore(job: number, position: number): boolean {
    return this.order.some(
      (x) => x.job === job && x.position < position && ['released', 'ended'].includes(x.event.kind),
    );
  }

  /** All rubber renewed: by a paper, or by a released job that took it over, with a clean glass behind the flush. */
  private rubber(s: Seen): boolean {
    const by = (r: Seen) => this.tookOver(r.job, s) && this.stripped(r, this.mastersFrom(s));
    return this.paper(s, 'stripped elsewhere') || this.releases.some(by);
  }

  private stripped(r: Seen, masters: Layout['masters']): boolean {
    const own = this.order.filter((x) => x.job === r.job && this.stands(x));
    const parts = own.filter((x) => x.event.kind === 'rubber renewed');
    const glass = own.filter((x) => x.event.kind === 'water tested').at(-1);
    if (!glass || (glass.event as { seen?: string }).seen === 'drops or a film') return false;
    const named = parts.map((x) => (x.event as { part?: string }).part!);
    const bowls = [...new Set(masters.flatMap((m) => m.chambers.map((c) => c.fedBy)))];
    const fed = bowls.flatMap((id) => this.fedBy(id));
    const behind = (x: Seen) => parts.every((p) => p.position < x.position);
    const shut = own.filter((x) => x.event.kind === 'shut' && x.position < glass.position);
    const wanted = [
      ...bowls.flatMap((id) => [[`${id} cap`], [`${id} grommets`]]),
      ...masters.flatMap((m) => [[m.id], [`${m.id} switch`]]),
      ...fed.flatMap((b) => this.softOn(this.wayUp(b))),
    ];
    return (
      wanted.every((any) => any.some((id) => named.includes(id))) &&
      fed.every((b) => shut.some((x) => behind(x) && this.isAt(x, b)))
    );
  }

  /** What has rubber on a way, each by itself; of its hoses one must be named. */
  private softOn(way: readonly string[]): string[][] {
    const { nodes, stretches } = this.given.layout;
    const plain = ['port', 'joint', 'tee'];
    const solid = nodes.filter((n) => way.includes(n.id) && !plain.includes(n.kind));
    const hoses = stretches.filter((x) => way.includes(x.id) && x.kind === 'hose');
    return [...solid.map((n) => [n.id]), ...(hoses.length > 0 ? [hoses.map((x) => x.id)] : [])];
  }

  /** Masters under whose cap one event's product stands; where nobody knows, all. */
  private mastersFrom(s: Seen): Layout['masters'] {
    const { masters } = this.given.layout;
    const e = s.event as { reservoirId?: string; openingId?: string | null };
    const at = this.at(s, e.openingId ?? null);
    const fed = masters.filter((m) =>
      m.chambers.some(
        ({ fedBy }) => fedBy === e.reservoirId || at.some((b) => this.fedBy(fedBy).includes(b)),
      ),
    );
    return fed.length > 0 ? fed : masters;
  }

  private paper(s: Seen, kind: 'stripped elsewhere' | 'cycle elsewhere'): boolean {
    return this.order.some(
      (x) =>
        x.event.kind === kind &&
        x.position > s.position &&
        this.stands(x) &&
        x.event.date >= s.receivedDay,
    );
  }

  /** Released by a job in which every control asked for was proved by people who had heard of it. */
  private provedAfter(s: Seen, masterIds: readonly string[], ownJob = false): boolean {
    return this.releasesAfter(s).some((r) => {
      const fresh = this.tookOver(r.job, s) || (ownJob && r.job === s.job);
      return masterIds.every((id) => this.goodFor(this.answersTo(r, id, 'result'), s, fresh));
    });
  }

  /** Whether the last answers are good, one of them by who had heard of something. */
  private goodFor(newestFirst: readonly Answer[], s: Seen, fresh: boolean): boolean {
    // Put right by who knew of it.
    const right = (a: Answer) => newestFirst.some((b) => b.good && this.knew(b.seen, a.seen));
    const bad = newestFirst.findIndex((a) => !a.good && !right(a));
    const last = bad < 0 ? newestFirst : newestFirst.slice(0, bad);
    return last.some((a) => a.good && (fresh || this.knew(a.seen, s)));
  }

  /** What was answered in a job before its release to one thing at one control, the last first. */
  private answersTo(r: Seen, masterId: string | null, item: string): Answer[] {
    const key = `${r.position} ${masterId} ${item}`;
    const answer = (seen: Seen): Answer[] => {
      const e = { masterId: null, ...seen.event };
      if (e.masterId !== masterId) return [];
      if (e.kind === 'checked') return e.item === item ? [{ seen, good: e.passes }] : [];
      if (item !== 'result') return [];
      if (e.kind === 'pedal judged') return [{ seen, good: !isBadPedal(e.result) }];
      return e.kind === 'take-up judged' ? [{ seen, good: e.takeUp !== 'near the end' }] : [];
    };
    if (!this.answered.has(key)) this.answered.set(key, this.before(r).flatMap(answer).reverse());
    return this.answered.get(key)!;
  }

  /** Answered well by somebody who had heard of the bad answer, and released on it. */
  private answeredAfter(s: Seen, masterId: string | null, item: string): boolean {
    return this.releasesAfter(s).some((r) => {
      const answers = this.answersTo(r, masterId, item);
      const fresh = this.tookOver(r.job, s);
      if (answers.length > 0) return this.goodFor(answers, s, fresh);
      // What is not asked there is answered with its whole control.
      const whole = (id: string) => this.goodFor(this.answersTo(r, id, 'result'), s, fresh);
      return item !== 'result' && (masterId === null ? this.masters() : [masterId]).some(whole);
    });
  }

  private measuredAfter(s: Seen, masterId: string): boolean {
    return this.releasesAfter(s).some(
      (r) =>
        this.tookOver(r.job, s) ||
        // Another job judges by who had heard of it, as one that took it over does.
        (r.job !== s.job && this.goodFor(this.answersTo(r, masterId, 'result'), s, false)) ||
        this.order.some(
          (x) =>
            x.job === r.job &&
            x.event.kind === 'sink watched' &&
            x.event.masterId === masterId &&
            x.event.mm < 20 &&
            this.stands(x) &&
            this.knew(x, s),
        ) ||
        // Bled again after it, and judged anew.
        this.order.some(
          (x) => x.job === r.job && TOUCHED.includes(x.event.kind) && x.position > s.position,
        ),
    );
  }

  private isBack(s: Seen): boolean {
    return this.later(
      s,
      (x) =>
        x.kind === 'back on' &&
        (x.eventId === s.event.id || (x.openItemId?.includes(s.event.id) ?? false)),
    );
  }

  private mended(s: Seen, of: string, byKind = false): boolean {
    return this.later(
      s,
      (x) =>
        x.kind === 'mended' &&
        (x.haltId === of || (x.openItemId?.includes(byKind ? ` ${of} ` : ' leak ') ?? false)),
    );
  }

  private jointAfter(s: Seen, elementId: string): boolean {
    return this.later(s, (x) => {
      if (x.kind === 'mended') return (x.openItemId ?? '').includes('tightness');
      if (x.kind === 'shut') return true;
      if (x.kind !== 'joint tightened' || x.elementId !== elementId) return false;
      const { appliedNm, manualNm } = x;
      const known = appliedNm !== null && manualNm !== null;
      return !known || (appliedNm <= 1.2 * manualNm && appliedNm >= 0.9 * manualNm);
    });
  }

  private cycled(s: Seen): boolean {
    return (
      this.paper(s, 'cycle elsewhere') ||
      this.later(s, (x) => x.kind === 'tool checked' || x.kind === 'tool step')
    );
  }

  /** Strokes at a bleeder by who knew of it, and shut behind them with nothing in the last look. */
  private bledAfter(s: Seen, bleederId: string, ownJob = false): boolean {
    return this.order.some(
      (x) =>
        x.event.kind === 'shut' &&
        x.position > s.position &&
        this.stands(x) &&
        this.isAt(x, bleederId) &&
        (this.knew(x, s) || this.tookOver(x.job, s) || (ownJob && x.job === s.job)) &&
        this.shutClear(x, bleederId) &&
        this.order.some(
          (k) =>
            ['stroke', 'jar read', 'flow set'].includes(k.event.kind) &&
            k.job === x.job &&
            k.position > s.position &&
            k.position < x.position &&
            this.isAt(k, bleederId),
        ),
    );
  }

  /** Whether the last that was seen at a bleeder in that job before it was shut was nothing. */
  private shutClear(shut: Seen, bleederId: string): boolean {
    const seen = this.before(shut).filter(
      (x) => x.event.kind === 'bubbles' && this.isAt(x, bleederId),
    );
    return seen.length === 0 || (seen.at(-1)!.event as { reading?: string }).reading === 'none';
  }

  private shutGood(s: Seen, bleederId: string): boolean {
    // Why it was shut early stands beside the shut that it is of: clear, with less than was planned, is no danger.
    const shut = this.order.some(
      (x) =>
        x.job === s.job &&
        x.event.kind === 'shut' &&
        this.stands(x) &&
        this.isAt(x, bleederId) &&
        this.shutClear(x, bleederId),
    );
    return shut || this.bledAfter(s, bleederId);
  }

  /** A later look at the same bleeder that found nothing, by who knew, and a shut behind it. */
  private clearAfter(s: Seen, bleederId: string): boolean {
    return this.order.some(
      (x) =>
        x.event.kind === 'bubbles' &&
        x.event.reading === 'none' &&
        x.position > s.position &&
        this.stands(x) &&
        this.isAt(x, bleederId) &&
        (this.knew(x, s) || this.tookOver(x.job, s)),
    );
  }

  // Where things are -----------------------------------------------------------

  private masters(): string[] {
    return this.given.layout.masters.map((m) => m.id);
  }

  private isAt(x: Seen, bleederId: string): boolean {
    return 'openingId' in x.event && this.at(x, x.event.openingId ?? null).includes(bleederId);
  }

  private at(s: Seen, openingId: string | null): string[] {
    for (const plan of this.given.plans.get(s.job ?? -1) ?? [])
      for (const o of plan.openings) if (o.id === openingId) return [nameOf(o.bleeder)];
    return [];
  }

  private masterOfOpening(s: Seen, openingId: string): string[] {
    return this.at(s, openingId).flatMap((b) => this.mastersOf(b));
  }

  /** Every place on the way from a bleeder up to its port, itself and its stretches among them. */
  private wayUp(bleederId: string, layout = this.given.layout): string[] {
    const { bleeders, stretches } = layout;
    const { id = '', at: from = '' } = bleeders.find((b) => nameOf(b) === bleederId) ?? {};
    let at = from;
    const way = [bleederId, id, at];
    for (let n = 0; n < stretches.length; n++) {
      const to = stretches.find((x) => x.to === at);
      if (!to) break;
      way.push(to.id, to.from);
      at = to.from;
    }
    return way;
  }

  private mastersOf(place: string | null): string[] {
    const { masters, bleeders } = this.given.layout;
    const named = masters.filter(
      (m) =>
        m.id === place ||
        bleeders.some((b) => {
          const way = this.wayUp(nameOf(b));
          return (
            place !== null && way.includes(place) && m.chambers.some((c) => way.includes(c.port))
          );
        }),
    );
    return (named.length > 0 ? named : masters).map((m) => m.id);
  }

  /** By the layout as it was when it was said: an edit that was let through later moves nothing that is over. */
  private behind(place: string | null, { job }: Seen): string[] {
    const layout = this.given.plans.get(job ?? -1)?.at(-1)?.layout ?? this.given.layout;
    const all = layout.bleeders.map(nameOf);
    if (place === null) return all;
    const ports = layout.masters
      .filter((m) => m.id === place)
      .flatMap((m) => m.chambers.map((c) => c.port));
    const there = all.filter((b) =>
      this.wayUp(b, layout).some((x) => x === place || ports.includes(x)),
    );
    return there.length > 0 ? there : all;
  }

  /** All that hangs on the bowls of some bleeders; of none that is known, all. */
  private bowlOf(bleeders: readonly string[]): string[] {
    const bowls = this.given.layout.reservoirs.map((r) => this.fedBy(r.id));
    return bowls.filter((b) => b.some((x) => bleeders.length === 0 || bleeders.includes(x))).flat();
  }

  private fedBy(reservoirId: string | null): string[] {
    const all = this.given.layout.bleeders.map(nameOf);
    const ports = this.given.layout.masters.flatMap((m) =>
      m.chambers.flatMap((c) => (c.fedBy === reservoirId ? [c.port] : [])),
    );
    const fed = all.filter((b) => this.wayUp(b).some((x) => ports.includes(x)));
    return fed.length > 0 ? fed : all;
  }
}

type Answer = { readonly seen: Seen; readonly good: boolean };

/** By its place: an id may come to mean another. */
const nameOf = ({ place, which }: Layout['bleeders'][number]): string => `${place} ${which}`;

const isEnd = ({ decision }: { readonly decision: string }) => decision === 'end job';
/** Words for a pedal or lever with which nobody drives. */
const isBadPedal = (word: string): boolean => word !== 'firm and high';

/** Behind it a measure is of a pedal that is no more. */
const TOUCHED: readonly string[] = ['stroke', 'shut', 'master fitted', 'part fitted', 'pumped up'];

/** What came off a circuit, and what a control. */
const OPENS: readonly string[] = [
  'Line or hose',
  'Caliper or slave, hose off',
  'Pressure switch or bleeder',
  'Another thing',
];
const CONTROLS: readonly string[] = [
  'Caliper or slave, hose joined',
  'Pads, shoes or disc',
  'Lever or electric switch',
];
