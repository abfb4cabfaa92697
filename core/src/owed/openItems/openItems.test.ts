import fc from 'fast-check';
import { foldJob } from '../../job/log';
import { planBleed } from '../../bleed/plan';
import { followCalls } from '../../job/run';
import type { WorkDone } from '../../bleed/scope';
import {
  countingIds,
  EVERYTHING,
  loggedEvent,
  logFrom,
  planned,
  type LooseEvent,
} from '../../testing';
import {
  groupOpenItems,
  holds,
  OPEN_ITEM_KINDS,
  openItemClearsWhen,
  openItemTitle,
  owedWork,
  owesBleed,
  workTakenOver,
  type OpenItem,
} from '.';
import {
  CAR,
  MOTORCYCLE,
  Yard,
  run,
  proof,
  used,
  DRIVEN,
  ended,
  released,
  openingAt,
  until,
  halt,
  flush,
  onePart,
} from '../../testing/yard';

test('a flush that was done, proved and released leaves nothing', () => {
  const yard = new Yard(CAR);
  const job = yard.take(flush(CAR), (p) => released(CAR)(p).filter((e) => e.kind !== 'released'));
  expect(yard.gate(job)).toEqual({ verdict: 'release', reasons: [] });
  expect(yard.drive).toBe('test drive only');
  const done = new Yard(CAR);
  done.take(flush(CAR), released(CAR));
  expect(done.before).toEqual([]);
  expect(done.drive).toBe('free');
});

describe('weights', () => {
  // A seized bleeder on a circuit that was never opened, with a firm pedal, is owed: common practice, no source.
  test('a seized bleeder is owed only where its circuit was never opened', () => {
    const seized = (bled: boolean) => {
      const yard = new Yard(MOTORCYCLE);
      const job = yard.take(flush(MOTORCYCLE), (p) => {
        const own = openingAt(p, 'rear');
        const before = bled ? until(p, 'rear', 2) : until(p, 'rear', 0);
        const left = [...(before as LooseEvent[]), ...halt('seized', own, 'leave shut')];
        const at = foldJob(logFrom(p, left)).run!;
        const rest = followCalls(
          at.plan,
          { deviceId: 'phone', nextId: countingIds('r'), startMs: 7_000_000 },
          at,
        );
        return [
          ...left,
          ...(rest as LooseEvent[]),
          used,
          ...(proof(p, ['front-master', 'rear-master']) as LooseEvent[]),
        ];
      });
      return { yard, job };
    };
    const never = seized(false);
    expect(never.yard.gate(never.job).verdict).toBe('test drive');
    expect(never.yard.before.find((m) => m.kind === 'seized')).toMatchObject({ weight: 'owed' });
    const opened = seized(true);
    expect(opened.yard.gate(opened.job).reasons.map((r) => r.code)).toEqual(['bleeder left']);
    expect(opened.yard.before.find((m) => m.kind === 'seized')).toMatchObject({ weight: 'holds' });
  });

  test('stopped where it was clear but not yet as the new: owed; the vehicle may be driven', () => {
    const yard = new Yard(CAR);
    yard.take(flush(CAR), (p) => {
      const opening = openingAt(p, 'right-front');
      const all = released(CAR)(p).filter((e) => !(e.kind === 'colour' && e.openingId === opening));
      const shut = all.findIndex((e) => e.kind === 'shut' && e.openingId === opening);
      const early: LooseEvent = {
        kind: 'shut early',
        openingId: opening,
        reason: 'It no longer pays',
      };
      return [...all.slice(0, shut + 1), early, ...all.slice(shut + 1)];
    });
    expect(yard.drive).toBe('free');
    expect(yard.before).toMatchObject([
      { kind: 'old fluid', where: 'right-front', weight: 'owed', place: 'right front' },
    ]);
    // The next one renews it there, whatever it came for.
    const next = yard.take(onePart(CAR, 'left-rear-caliper', ['master']), () => []);
    const at = next.run!.plan.openings.find((s) => s.bleeder.id === 'right-front')!;
    expect(at.until).toBe('new');
  });

  test('fluid that is due goes along with a part, unless somebody leaves it', () => {
    const work = onePart(CAR, 'left-rear-caliper', ['master']);
    const taken = (due: boolean, leaveOldFluid: boolean) =>
      workTakenOver(CAR, work, { before: [], due, leaveOldFluid }).owed?.oldAt ?? [];
    expect(taken(true, false)).toHaveLength(4);
    expect(taken(true, true)).toEqual([]);
    expect(taken(false, false)).toEqual([]);
    // A flush renews it anyway.
    expect(workTakenOver(CAR, flush(CAR), { before: [], due: true, leaveOldFluid: false })).toEqual(
      flush(CAR),
    );
  });
});

describe('while nothing was touched', () => {
  test('a job that read and opened nothing says nothing when it ends', () => {
    const yard = new Yard(CAR);
    yard.take(flush(CAR), () => [ended]);
    expect(yard.drive).toBe('free');
    expect(yard.before.filter(holds)).toEqual([]);
  });

  test('a soft pedal is an open item from the moment it was said, and withdrawn with the word', () => {
    const said = (purpose: WorkDone['purpose'], id: string) =>
      loggedEvent({ id, kind: 'work said', work: { ...flush(CAR), purpose } });
    const yard = new Yard(CAR);
    yard.put(foldJob([said('soft pedal', 'a')]));
    expect(yard.kinds()).toEqual(['control soft master']);
    const corrected = new Yard(CAR);
    corrected.put(foldJob([said('soft pedal', 'a'), said('routine flush', 'b')]));
    expect(corrected.before).toEqual([]);
  });

  test('a stroke that was taken back leaves nothing', () => {
    const yard = new Yard(CAR);
    yard.take(flush(CAR), (p) => [
      { id: 's', kind: 'stroke', openingId: p.openings[0]!.id },
      { kind: 'undone', eventId: 's' },
    ]);
    expect(yard.before).toEqual([]);
  });
});

test('a failed judgement and a failed drive are open items until they are put right', () => {
  const yard = new Yard(CAR);
  yard.take(flush(CAR), (p) => [
    ...(run(p) as LooseEvent[]),
    { kind: 'pedal judged', masterId: 'master', result: 'springy' },
  ]);
  expect(new Set(yard.before.map((m) => `${m.kind}: ${m.because}`))).toEqual(
    new Set(['control not proved: Opened and not released', 'control soft: Judged: springy']),
  );
  const driven = new Yard(CAR);
  driven.take(flush(CAR), (p) => [
    ...released(CAR)(p).slice(0, -2),
    { kind: 'drive ended', result: 'bad' },
  ]);
  expect(driven.kinds()).toContain('drive failed');
  expect(driven.drive).toBe('do not drive');
});

test('a place that the layout has no more stands for every bleeder', () => {
  const gone = { kind: 'air possible', where: 'old-bleeder' } as OpenItem;
  expect(owedWork(CAR, [gone]).airAt).toHaveLength(4);
  expect(owesBleed(CAR, [gone])).toBe(true);
  expect(owesBleed(CAR, [{ kind: 'marked', where: null } as OpenItem])).toBe(false);
});

test('every kind says what is owed and what clears it, and one thing is said once', () => {
  const said = OPEN_ITEM_KINDS.map((kind) => openItemTitle({ kind, place: 'left rear' }));
  expect(new Set(said).size).toBe(OPEN_ITEM_KINDS.length);
  for (const kind of OPEN_ITEM_KINDS)
    expect(openItemClearsWhen({ kind, place: null })).toMatch(/^Clears (by|when|with) .*\.$/);
  const m = (where: string, weight: OpenItem['weight'] = 'holds') =>
    ({
      kind: 'air possible',
      weight,
      where,
      place: where,
      jobId: 'j',
      because: 'Ran dry',
    }) as OpenItem;
  const groups = groupOpenItems([m('front', 'owed'), m('left rear'), m('right rear')]);
  expect(groups.map((g) => g.title)).toEqual([
    'Air may be behind the left rear and right rear',
    'Air may be behind the front',
  ]);
});

// Whatever somebody does and wherever they stop: a job that was opened and not released leaves its controls to be proved.
test('however a job ends, what it opened holds the vehicle until it is released', () => {
  const plan = planned(CAR, { work: flush(CAR), means: EVERYTHING });
  const all = [...run(plan), used, ...proof(plan, ['master']), ...DRIVEN] as LooseEvent[];
  fc.assert(
    fc.property(fc.nat(all.length - 1), fc.boolean(), (upTo, stop) => {
      const job = foldJob(
        logFrom(plan, [...all.slice(0, upTo), { kind: 'ended', reason: 'x', stop }]),
      );
      const yard = new Yard(CAR);
      yard.put(job);
      const opened = job.run!.openedAtMs !== null;
      expect(yard.drive).toBe(opened || stop ? 'do not drive' : 'free');
      const next = planBleed({
        layout: CAR,
        fillGrade: 'DOT 4',
        newColour: 'straw',
        work: workTakenOver(CAR, onePart(CAR, 'left-rear-caliper', ['master']), {
          before: yard.before,
          due: false,
          leaveOldFluid: true,
        }),
      });
      const owed = owedWork(CAR, yard.before).airAt;
      const opens = next.verdict === 'planned' ? next.plan.openings.map((s) => s.bleeder.id) : [];
      expect(owed.every((id) => opens.includes(id))).toBe(true);
    }),
    { numRuns: 40 },
  );
});
