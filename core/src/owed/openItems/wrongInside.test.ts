import type { Product } from '../../job/events';
import type { Plan } from '../../bleed/plan';
import type { LooseEvent } from '../../testing';
import { CAR, ended, flush, proof, released, run, until, used, Yard } from '../../testing/yard';
import { owedWork } from '.';

const [RESERVOIR] = CAR.reservoirs.map((r) => r.id);
const SILICONE: Product = {
  grade: 'DOT 5',
  batch: 'S-1',
  remedy: 'strip, new seals, dry system',
};
const MINERAL: Product = {
  grade: 'mineral oil',
  batch: 'O-1',
  remedy: 'strip, all rubber renewed',
};
const TOO_LOW: Product = {
  grade: 'DOT 3',
  batch: 'L-1',
  remedy: 'flush with the grade asked for',
};
const FIT: Product = { grade: 'DOT 4', batch: 'F-1', remedy: 'nothing' };

/** A top-up somewhere in the middle of a job that is otherwise done well and released. */
const pour = (product: Product | null | undefined, more: object = {}): LooseEvent =>
  ({
    id: 'pour',
    kind: 'topped up',
    reservoirId: RESERVOIR,
    containerId: 'c',
    product,
    ...more,
  }) as LooseEvent;
const halt = (more: object = {}): LooseEvent =>
  ({ id: 'halt', kind: 'halted', reason: 'other product', openingId: null, ...more }) as LooseEvent;
const undo = (eventId: string, more: object = {}): LooseEvent =>
  ({ id: `undo ${eventId}`, kind: 'undone', eventId, ...more }) as LooseEvent;
const withIn = (...said: LooseEvent[]) => {
  const yard = new Yard(CAR);
  const job = yard.take(flush(CAR), (p: Plan) => [
    ...(until(p, 'left-rear', 3) as LooseEvent[]),
    ...said,
    ...(released(CAR)(p).filter((e) => e.kind !== 'released') as LooseEvent[]),
  ]);
  return { yard, job };
};
const open = (...said: LooseEvent[]) => withIn(...said).yard.kinds();

// Silicone, glycol and mineral oil do not mix, and swell each other's seals: SAE J1703, J1705; what it takes is common practice, no source.
test('a: what must not be in there holds the vehicle, whatever is taken back besides', () => {
  expect(open(pour(SILICONE))).toContain(`wrong fluid ${RESERVOIR}`);
  expect(open(pour(MINERAL))).toContain(`wrong fluid ${RESERVOIR}`);
  expect(open(pour(SILICONE), halt(), undo('halt'))).toContain(`wrong fluid ${RESERVOIR}`);
  const { yard, job } = withIn(pour(SILICONE), halt(), undo('halt'));
  // What went wrong is named before what any begun job leaves: the pedal is not proved either.
  expect(yard.kinds()).toContain('control not proved master');
  expect(yard.reason).toMatch(/^Wrong fluid inside, .*: DOT 5, batch S-1, was poured in/);
  expect(yard.gate(job).verdict).toBe('shut');
  expect(yard.gate(job).reasons).toContainEqual(
    expect.objectContaining({
      code: 'open item',
      what: expect.stringMatching(/^Wrong fluid inside/),
    }),
  );
  expect(yard.all.find((m) => m.kind === 'wrong fluid')!.because).toBe(
    'DOT 5, batch S-1, was poured in',
  );
});

// "Leave this one, do the others" where nobody said at which one it came.
test('grease that came, left where nobody said: it holds, and the gate is shut, whoever was at the others', () => {
  const decided = (p: Plan) =>
    ({ id: 'on', kind: 'decided', haltId: 'halt', decision: 'leave shut', plan: p }) as LooseEvent;
  for (const reason of ['grease', 'other product', 'nothing comes', 'seized'] as const) {
    const yard = new Yard(CAR);
    const job = yard.take(flush(CAR), (p: Plan) => [
      halt({ reason }),
      decided({ ...p, id: 'on' }),
      ...(released(CAR)({ ...p, id: 'on' }).filter((e) => e.kind !== 'released') as LooseEvent[]),
    ]);
    expect(yard.gate(job).verdict).toBe('shut');
    expect(yard.gate(job).reasons.map((r) => r.code)).toEqual(['open item']);
    expect(yard.kinds()).toContainEqual(
      expect.stringMatching(/^(wrong fluid|bleeder left|seized)$/),
    );
  }
});

test('a container that the shelf does not know is as bad as a wrong one; one that fits, or none that was named, is no harm', () => {
  expect(open(pour(null))).toContain(`product not known ${RESERVOIR}`);
  for (const fits of [FIT, undefined])
    expect(open(pour(fits)).filter((k) => /wrong|known/.test(k))).toEqual([]);
});

test('the first fill counts as a top-up does', () => {
  const first = { kind: 'prepared', step: 'fill reservoir', containerId: 'c' };
  const said = (product: Product | null) => open({ ...first, product } as unknown as LooseEvent);
  expect(said(SILICONE)).toContain('wrong fluid');
  expect(said(null)).toContain('product not known');
  expect(said(FIT).filter((k) => /wrong|known/.test(k))).toEqual([]);
});

test('taken back in the same press it never went in; taken back later it is still in', () => {
  const press = { group: 'one press' };
  // One undo of either takes back both.
  expect(open(pour(SILICONE, press), halt(press), undo('halt'))).not.toContain(
    `wrong fluid ${RESERVOIR}`,
  );
  const later = withIn(
    pour(SILICONE, press),
    halt(press),
    { kind: 'note', text: 'Hm' },
    undo('pour'),
  ).yard;
  expect(later.all.find((m) => m.kind === 'wrong fluid')!.because).toBe(
    'DOT 5, batch S-1, was poured in, said and taken back later',
  );
  const other = open(pour(SILICONE, press), halt(press), undo('pour', { deviceId: 'another' }));
  expect(other).toContain(`wrong fluid ${RESERVOIR}`);
});

test('c: no later job that looks and says clean settles it, only all rubber renewed by a paper that came after', () => {
  const { yard } = withIn(pour(MINERAL));
  // Bled clean, seen clean, driven and released; the rubber is as it was.
  yard.take(flush(CAR), (p) => released(CAR)(p).filter((e) => e.kind !== 'rubber renewed'));
  expect(yard.kinds()).toContain(`wrong fluid ${RESERVOIR}`);
  expect(yard.drive).toBe('do not drive');
  const paper = { kind: 'stripped elsewhere', workshop: 'Harbour garage', paper: 'H 12' };
  yard.say({ ...paper, date: '1969-12-31' }, 0);
  expect(yard.kinds()).toContain(`wrong fluid ${RESERVOIR}`);
  yard.say({ ...paper, date: '1970-01-02' }, 0);
  expect(yard.kinds().join()).not.toContain('wrong fluid');
  // Of a cycle it says nothing, and a cycle's paper nothing of rubber.
  const cycle = withIn(pour(MINERAL)).yard;
  cycle.say(
    { kind: 'cycle elsewhere', workshop: 'H', paper: '1', date: '1970-01-02', bledAfter: true },
    0,
  );
  expect(cycle.kinds()).toContain(`wrong fluid ${RESERVOIR}`);
});

test('what is poured again in the job that puts the first right holds anew', () => {
  const { yard } = withIn(pour(TOO_LOW));
  yard.take(flush(CAR), (p) => {
    const said = released(CAR)(p);
    const at = said.findIndex((e) => e.kind === 'fluid used');
    return [...said.slice(0, at), pour(TOO_LOW, { id: 'again' }), ...said.slice(at)];
  });
  expect(yard.kinds()).toContain(`wrong grade ${RESERVOIR}`);
  expect(yard.drive).toBe('do not drive');
});

test('a grade that is too low is flushed out of every bleeder that it reached, by the next job', () => {
  const { yard } = withIn(pour(TOO_LOW));
  expect(yard.kinds()).toContain(`wrong grade ${RESERVOIR}`);
  expect(yard.drive).toBe('do not drive');
  expect(new Set(owedWork(CAR, yard.before).oldAt)).toEqual(new Set(CAR.bleeders.map((b) => b.id)));
  yard.take(flush(CAR), (p) => [...(run(p) as LooseEvent[]), ended]);
  expect(yard.kinds().join()).not.toContain('wrong grade');
  const half = withIn(pour(TOO_LOW)).yard;
  half.take(flush(CAR), (p) => [...(until(p, 'right-rear', 3) as LooseEvent[]), ended]);
  expect(half.kinds()).toContain(`wrong grade ${RESERVOIR}`);
});

test('grease or another product that came out holds, though the halt was taken back later', () => {
  const found = (reason: string, ...more: LooseEvent[]) =>
    open(halt({ reason }), { kind: 'note', text: 'Hm' }, undo('halt'), ...more).join();
  expect(found('grease')).toContain('wrong fluid');
  expect(found('other product')).toContain('wrong fluid');
  expect(found('ran dry')).not.toContain('wrong fluid');
  expect(open(halt({ reason: 'grease' }), undo('halt')).join()).not.toContain('wrong fluid');
});

test('a job that the fluid stopped for a strip leaves that; one that it stopped for less, a look', () => {
  const stopped = (remedy: string | null) => {
    const yard = new Yard(CAR);
    yard.take(flush(CAR), () => [
      {
        kind: 'fluid read',
        read: { verdict: { verdict: 'stop', remedy, condition: null } },
      } as unknown as LooseEvent,
      { kind: 'ended', reason: 'Oil in the fluid.', stop: true },
    ]);
    return yard.kinds().join();
  };
  expect(stopped('strip, all rubber renewed')).toContain('wrong fluid');
  expect(stopped('strip, new seals, dry system')).toContain('wrong fluid');
  expect(stopped(null)).toContain('stop verdict');
  expect(stopped('flush with the grade asked for')).toContain('stop verdict');
});

test('what one press made is taken back together, also what arrives behind the undo; another phone’s press is another', () => {
  const press = { group: 'g', deviceId: 'phone' };
  const yes = (item: string, more: object = {}): LooseEvent =>
    ({ id: item, kind: 'checked', item, passes: true, ...press, ...more }) as LooseEvent;
  const said = (...events: LooseEvent[]) => {
    const yard = new Yard(CAR);
    const job = yard.take(flush(CAR), (p) => [
      ...(run(p) as LooseEvent[]),
      used,
      ...(proof(p, ['master']).filter((e) => e.kind !== 'checked') as LooseEvent[]),
      ...events,
    ]);
    return job.proof.answers.flatMap((a) => (a.masterId === null ? [a.item] : []));
  };
  expect(said(yes('level'), yes('wheels'))).toEqual(['level', 'wheels']);
  expect(said(yes('level'), yes('wheels'), undo('level'))).toEqual([]);
  expect(said(yes('level'), undo('level'), yes('wheels'))).toEqual([]);
  expect(said(yes('level'), undo('level'), yes('wheels', { deviceId: 'other' }))).toEqual([
    'wheels',
  ]);
  expect(said(yes('level'), undo('level'), yes('wheels', { group: 'h' }))).toEqual(['wheels']);
  // The undo taken back: all of it holds again.
  expect(said(yes('level'), yes('wheels'), undo('level'), undo('undo level'))).toEqual([
    'level',
    'wheels',
  ]);
});
