import { paths, rubberIn, type Layout } from '../../vehicle/circuit';
import type { JobEvent, Product } from '../../job/events';
import { routineFlush } from '../../bleed/scope';
import type { Plan } from '../../bleed/plan';
import { planOnward, foldRun } from '../../job/run';
import { allMasters, layoutOf, logFrom, planned, type LooseEvent } from '../../testing';
import {
  CAR,
  ended,
  FERRY_VAN,
  flush,
  MOTORCYCLE,
  released,
  until,
  Yard,
} from '../../testing/yard';
import { openItemClearsWhen, workTakenOver } from '.';
import { reachedFrom, strippedIn } from './stripped';

const MINERAL: Product = {
  grade: 'mineral oil',
  batch: 'O-1',
  remedy: 'strip, all rubber renewed',
};
const pour = (layout: Layout, product: Product | null = MINERAL): LooseEvent =>
  ({
    kind: 'topped up',
    reservoirId: layout.reservoirs[0]!.id,
    containerId: 'c',
    product,
  }) as LooseEvent;

/** A vehicle into which something was poured that must not be in there; its job was ended. */
function wrong(layout = CAR, product: Product | null = MINERAL): Yard {
  const yard = new Yard(layout);
  const [first] = layout.bleeders;
  yard.take(flush(layout), (p) => [
    ...(until(p, first!.id, 2) as LooseEvent[]),
    pour(layout, product),
    ended,
  ]);
  return yard;
}
const holdsStill = (yard: Yard) =>
  yard.kinds().some((k) => /^(wrong fluid|product not known)/.test(k));
/** The next job, done as it is called for, but for what is changed of it. */
function next(yard: Yard, change: (said: LooseEvent[], plan: Plan) => LooseEvent[] = (s) => s) {
  return yard.take(flush(yard.layout), (p) => change(released(yard.layout)(p), p));
}

describe('rubber that a wrong product reaches', () => {
  const ids = (layout: Layout, at: readonly string[] = layout.reservoirs.map((r) => r.id)) =>
    rubberIn(layout, at).map((p) => p.id);

  // Seals, cups, hoses, diaphragm, cap seal, switch, and a modulator as a whole unit: SAE J1703 (what glycol seals stand), the list common practice, no source.
  test('of a car: cap, bowl, master, switch, every hose, caliper and cylinder', () => {
    const names = rubberIn(CAR, ['reservoir'])
      .map((p) => `${p.name}: ${p.renew}`)
      .join('\n');
    for (const word of [/cap and its diaphragm/, /grommets/, /pressure switch/, /a new hose/])
      expect(names).toMatch(word);
    const wheels = CAR.nodes.filter((n) => n.kind === 'caliper' || n.kind === 'wheel cylinder');
    expect(wheels).toHaveLength(4);
    expect(ids(CAR)).toEqual(expect.arrayContaining(['master', ...wheels.map((w) => w.id)]));
    // Of steel lines there is nothing to renew.
    const lines = CAR.stretches.filter((s) => s.kind === 'line').map((s) => s.id);
    expect(ids(CAR).filter((id) => lines.includes(id))).toEqual([]);
    expect(new Set(ids(CAR)).size).toBe(ids(CAR).length);
  });

  test('a modulator is renewed as a whole, a slave by its cups; a switch alone may be missing', () => {
    const unit = rubberIn(
      MOTORCYCLE,
      MOTORCYCLE.reservoirs.map((r) => r.id),
    ).filter((p) => MOTORCYCLE.nodes.some((n) => n.kind === 'modulator' && n.id === p.id));
    expect(unit.length).toBeGreaterThan(0);
    for (const p of unit) expect(p.renew).toMatch(/whole unit/);
    const slave = FERRY_VAN.nodes.find((n) => n.kind === 'slave')!;
    expect(ids(FERRY_VAN)).toContain(slave.id);
    for (const p of rubberIn(CAR, ['reservoir'])) expect(p.mayLack).toBe(/switch$/.test(p.id));
  });

  test('what another bowl feeds is not reached', () => {
    const [lever] = MOTORCYCLE.reservoirs.map((r) => r.id);
    expect(ids(MOTORCYCLE, [lever!]).length).toBeLessThan(ids(MOTORCYCLE).length);
  });
});

test('a wrong product reaches what its place is fed from; where nobody can say, every bowl', () => {
  const at = (where: string | null) => reachedFrom(MOTORCYCLE, { where });
  const [lever, foot] = MOTORCYCLE.reservoirs.map((r) => r.id);
  expect(at('rear')).toEqual([foot]);
  const caliper = paths(MOTORCYCLE)
    .find((p) => p.bleeder.id === 'rear')!
    .points.at(-1)!.node.id;
  expect(at(caliper)).toEqual([foot]);
  expect(at(lever!)).toEqual([lever]);
  expect(at(null)).toEqual([lever, foot]);
  expect(at('nowhere')).toEqual([lever, foot]);
});

describe('strip and renew all rubber', () => {
  test('the next job plans it, with the system dry, whatever it was taken in for, and the test behind the flush', () => {
    const yard = wrong();
    for (const purpose of ['routine flush', 'look and prove', 'after work'] as const) {
      const work = workTakenOver(
        CAR,
        { ...flush(CAR), purpose },
        {
          before: yard.all,
          due: false,
          leaveOldFluid: false,
        },
      );
      const plan = planned(CAR, { work });
      const kinds = plan.stages.map((s) => s.kind);
      expect(kinds[0]).toBe('strip');
      expect(kinds.indexOf('water test')).toBeGreaterThan(kinds.lastIndexOf('bleed'));
      expect(new Set(plan.openings.map((o) => o.bleeder.id))).toEqual(
        new Set(CAR.bleeders.map((b) => b.id)),
      );
    }
  });

  test('done part by part, flushed and tested, it settles; the vehicle is free', () => {
    for (const [layout, product] of [
      [CAR, MINERAL],
      [CAR, null],
      [MOTORCYCLE, MINERAL],
      [FERRY_VAN, MINERAL],
    ] as const) {
      const yard = wrong(layout, product);
      expect(holdsStill(yard)).toBe(true);
      next(yard);
      expect(yard.kinds()).toEqual([]);
      expect(yard.drive).toBe('free');
    }
  });

  const without =
    (kind: string, is: (e: LooseEvent) => boolean = () => true) =>
    (said: LooseEvent[]) =>
      said.filter((e) => e.kind !== kind || !is(e));
  const behind = (kind: string, before: (e: LooseEvent) => boolean) => (said: LooseEvent[]) => {
    const moved = said.filter((e) => e.kind === kind);
    const others = said.filter((e) => e.kind !== kind);
    const at = others.findIndex(before);
    return [...others.slice(0, at), ...moved, ...others.slice(at)];
  };
  const water = (seen: string) => (said: LooseEvent[]) =>
    said.map((e) => (e.kind === 'water tested' ? ({ ...e, seen } as LooseEvent) : e));

  test.each<[string, (said: LooseEvent[]) => LooseEvent[]]>([
    ['one cup is not named', without('rubber renewed', (e) => 'part' in e && e.part === 'master')],
    [
      'the cap seal is not',
      without('rubber renewed', (e) => 'part' in e && e.part === 'reservoir cap'),
    ],
    ['nobody tested', without('water tested')],
    ['drops were seen', water('drops or a film')],
    ['the test came before the flush', behind('water tested', (e) => e.kind === 'shut')],
    [
      'the rubber was renewed behind the flush',
      behind('rubber renewed', (e) => e.kind === 'water tested'),
    ],
    [
      'one bleeder was never shut',
      without('shut', (e) => 'openingId' in e && /left-rear/.test(String(e.openingId))),
    ],
  ])('%s: it holds still', (_, change) => {
    const yard = wrong();
    next(yard, (said) => change(said));
    expect(holdsStill(yard)).toBe(true);
    expect(yard.drive).toBe('do not drive');
  });

  test('it goes up to what whoever renewed the rubber had heard, the least of them', () => {
    const yard = wrong();
    const heard = (places: readonly number[]) => {
      let n = 0;
      const job = next(yard, (said) =>
        said.map((e) =>
          e.kind === 'rubber renewed'
            ? ({ ...e, heard: places[n++ % places.length]! } as LooseEvent)
            : e,
        ),
      );
      yard.says.pop();
      return strippedIn(job, CAR);
    };
    expect(heard([9])).toEqual({ reservoir: 9 });
    expect(heard([9, 7, 8])).toEqual({ reservoir: 7 });
  });

  test('it is settled by its release alone', () => {
    const yard = wrong();
    next(yard, without('released'));
    expect(holdsStill(yard)).toBe(true);
    expect(yard.drive).toBe('test drive only');
  });

  test('the last look at the glass counts, either way', () => {
    const twice = (first: string, last: string) => (said: LooseEvent[]) =>
      said.flatMap((e) =>
        e.kind === 'water tested'
          ? ([
              { ...e, seen: first },
              { ...e, id: `${e.id} again`, seen: last },
            ] as LooseEvent[])
          : [e],
      );
    const good = wrong();
    next(good, twice('drops or a film', 'one clean fluid'));
    expect(holdsStill(good)).toBe(false);
    const bad = wrong();
    next(bad, twice('mixes', 'drops or a film'));
    expect(holdsStill(bad)).toBe(true);
  });

  test('poured again behind the strip it holds anew', () => {
    const yard = wrong();
    next(yard, (said) => {
      const at = said.findIndex((e) => e.kind === 'fluid used');
      return [...said.slice(0, at), pour(CAR), ...said.slice(at)];
    });
    expect(holdsStill(yard)).toBe(true);
  });

  test('what another bowl feeds is flushed as was said, and nothing of it is stripped', () => {
    const yard = wrong(MOTORCYCLE);
    const { owed, masterIds, purpose } = workTakenOver(MOTORCYCLE, flush(MOTORCYCLE), {
      before: yard.all,
      due: false,
      leaveOldFluid: false,
    });
    expect(purpose).toBe('new or dry');
    expect(masterIds).toHaveLength(1);
    expect(owed!.rubberAt).toEqual([MOTORCYCLE.reservoirs[0]!.id]);
    const other = MOTORCYCLE.masters.find((m) => m.id !== masterIds[0])!;
    expect(other).toBeDefined();
    expect(owed!.oldAt.length).toBeGreaterThan(0);
    expect(openItemClearsWhen(yard.all.find((m) => m.kind === 'wrong fluid')!)).toMatch(
      /part by part.*or by the paper/,
    );
  });

  test('planned anew in the middle, what is not done is there, and what is done is not asked again', () => {
    const yard = wrong();
    const work = workTakenOver(CAR, routineFlush(allMasters(CAR)), {
      before: yard.all,
      due: false,
      leaveOldFluid: false,
    });
    const plan = planned(CAR, { work });
    const all = logFrom(plan, released(CAR)(plan)).filter((e) => 'planId' in e) as JobEvent[];
    const renewed = all.filter((e) => e.kind === 'rubber renewed');
    const onward = (said: readonly JobEvent[]) => {
      const halt = { ...said[0]!, id: 'h', kind: 'halted', reason: 'ran dry', openingId: null };
      const state = foldRun(plan, [...said, halt] as never);
      const result = planOnward(state, state.halts[0]!, 'plan anew', 'anew');
      return result.verdict === 'planned' ? result.plan.stages.map((s) => s.kind) : [];
    };
    const half = onward(renewed.slice(0, 3));
    expect(half.filter((k) => k === 'strip' || k === 'water test')).toEqual([
      'strip',
      'water test',
    ]);
    const whole = onward(renewed);
    expect(whole).not.toContain('strip');
    expect(whole).toContain('water test');
  });
});

test('every template knows the rubber of what hangs on each bowl', () => {
  for (const id of ['veteran-single', 'sidecar-outfit', 'clutch-concentric'] as const) {
    const layout = layoutOf(id);
    for (const r of layout.reservoirs)
      expect(rubberIn(layout, [r.id]).length).toBeGreaterThanOrEqual(4);
  }
});
