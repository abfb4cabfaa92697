import { paths } from '../../vehicle/circuit';
import {
  afterWork,
  cappedPart,
  countingIds,
  jobOf,
  layoutOf,
  planned,
  planOf,
  type LooseEvent,
} from '../../testing';
import { airClueWords, airSits, followCalls } from '.';

const follow = (plan: ReturnType<typeof planOf>) =>
  followCalls(plan, { deviceId: 'phone', nextId: countingIds(), startMs: 0 }) as LooseEvent[];
const runOf = (plan: ReturnType<typeof planOf>, said: readonly LooseEvent[]) =>
  jobOf(plan, said).run!;
const PLAN = planOf('hatchback-diagonal');
const [MASTER] = PLAN.layout.masters;
const RUN = follow(PLAN);
const first = PLAN.openings[0]!;

test('where everything was seen clear it is a guess, said as one, and the method stays', () => {
  const places = airSits(runOf(PLAN, RUN), MASTER!);
  expect(places.length).toBeGreaterThan(0);
  for (const p of places) {
    expect(['least to spare', 'longest way']).toContain(p.clue.code);
    expect(p.method).toBe('two people');
  }
});

test('bubbles that still came stand before what nothing speaks for', () => {
  const last = RUN.map((e) => e.kind === 'bubbles' && e.openingId === first.id).lastIndexOf(true);
  const seen = RUN.map((e, i) => (i === last ? ({ ...e, reading: 'some' } as LooseEvent) : e));
  const [place] = airSits(runOf(PLAN, seen), MASTER!);
  expect(place).toMatchObject({ bleederId: first.bleeder.id, clue: { code: 'bubbles' } });
  expect(airClueWords(place!)).toMatch(/bubbles still came/);
});

test('a bleeder that was not opened comes before a guess, one nobody looked at before that', () => {
  const layout = layoutOf('hatchback-diagonal');
  const part = afterWork(layout, { parts: [cappedPart('right-front-caliper')] });
  const corner = planned(layout, { work: part });
  expect(corner.openings).toHaveLength(1);
  const places = airSits(runOf(corner, follow(corner)), layout.masters[0]!);
  expect(
    places
      .filter((p) => p.clue.code === 'not opened')
      .map((p) => p.bleederId)
      .sort(),
  ).toEqual(
    paths(layout)
      .map((p) => p.bleeder.id)
      .filter((id) => id !== corner.openings[0]!.bleeder.id)
      .sort(),
  );
  const unseen = follow(corner).filter((e) => e.kind !== 'bubbles');
  expect(airSits(runOf(corner, unseen), layout.masters[0]!)[0]).toMatchObject({
    bleederId: corner.openings[0]!.bleeder.id,
    clue: { code: 'nobody looked' },
  });
});

test('what the count says is still empty comes first of all', () => {
  const layout = layoutOf('motorcycle-front-disc');
  const dry = planned(layout, {
    work: { ...afterWork(layout, {}), purpose: 'new or dry' },
  });
  const begun = follow(dry).slice(0, 4);
  const [place] = airSits(runOf(dry, begun), layout.masters[0]!);
  expect(place!.clue.code).toBe('still empty');
  expect(airClueWords(place!)).toMatch(/still lacks \d+\.\d mL/);
});

// What never left its way took no bubble along: plain displacement.
test('a way that was hardly moved comes before one that nothing speaks against', () => {
  const strokes = RUN.filter((e) => e.kind === 'stroke' && e.openingId === first.id);
  const clues = (kept: number) => {
    const dropped = new Set(strokes.slice(kept));
    const [place] = airSits(
      runOf(
        PLAN,
        RUN.filter((e) => !dropped.has(e)),
      ),
      MASTER!,
    );
    return place!;
  };
  expect(clues(1)).toMatchObject({
    bleederId: first.bleeder.id,
    clue: { code: 'hardly moved', oldMl: expect.any(Number) },
  });
  expect(airClueWords(clues(1))).toMatch(/ \d+\.\d mL of what was in its way never left it/);
  expect(clues(strokes.length).clue.code).not.toBe('hardly moved');
});

test('only the circuits of that control are named', () => {
  const shared = planOf('clutch-concentric');
  const run = runOf(shared, follow(shared));
  for (const master of shared.layout.masters) {
    const own = paths(shared.layout)
      .filter((p) => p.master.id === master.id)
      .map((p) => p.bleeder.id);
    for (const p of airSits(run, master)) expect(own).toContain(p.bleederId);
  }
});

test('where the flow leaves a bubble behind, another method is named that carries it', () => {
  const run = runOf(PLAN, RUN);
  const stretch = PLAN.methods.find((m) => m.deciding)?.deciding;
  const stuck = {
    ...run,
    plan: {
      ...PLAN,
      methods: PLAN.methods.map((m) =>
        m.method === first.method
          ? {
              ...m,
              deciding: { ...stretch!, bleederId: first.bleeder.id, verdict: 'stuck' as const },
            }
          : { ...m, deciding: null },
      ),
    },
  };
  const [place] = airSits(stuck, MASTER!);
  expect(place).toMatchObject({ bleederId: first.bleeder.id, clue: { code: 'left behind' } });
  expect(place!.method).not.toBe(first.method);
});

test('a modulator is named where it may have got air, and no more once a tool has cycled it', () => {
  const clues = (said: readonly LooseEvent[]) =>
    airSits(runOf(PLAN, said), MASTER!).map((p) => p.clue.code);
  const dry: LooseEvent = {
    id: 'dry',
    kind: 'halted',
    reason: 'ran dry',
    openingId: first.id,
  } as LooseEvent;
  const cycled = { id: 'c', kind: 'tool step', stageId: 'x', done: true } as unknown as LooseEvent;
  expect(clues(RUN)).not.toContain('modulator');
  expect(clues([...RUN, dry])).toContain('modulator');
  expect(clues([...RUN, dry, cycled])).not.toContain('modulator');
});
