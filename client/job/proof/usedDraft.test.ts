import type { JobPick } from '@brook/contract';
import { fluidUsed } from '@brook/contract';
import fc from 'fast-check';
import {
  balanceOf,
  JAR,
  toConfirm,
  usedDraftOf,
  usedFaults,
  usedOf,
  type UsedDraft,
} from './usedDraft';

const ID = (n: number) => `5d1d3b74-6b0f-4d0e-9f0b-0c8a5c1e7a1${n}`;
const pick = (...leftMl: number[]): JobPick => ({
  kind: 'enough',
  lookedBy: null,
  openRule: '30 days capped',
  leftOverMl: {
    label: 'Left over',
    value: 0,
    unit: 'mL',
    rule: 'given',
    source: { kind: 'entry' },
    from: [],
  },
  containers: leftMl.map((left, n) => ({
    id: ID(n),
    grade: 'DOT 4',
    isoClass: null,
    batch: `K-${n}`,
    sizeMl: 500,
    leftMl: left,
    state: 'sealed',
    openedDays: null,
    keptCapped: true,
    ageDays: 3,
    restedHours: null,
    verdict: 'take',
    reasons: [],
  })),
});
const JAR_COUNTED = {
  standsMl: 500.11,
  seen: true,
  unread: false,
  since: [
    {
      openingId: 'x',
      reservoirId: 'reservoir',
      ml: 500.11,
      filledMl: 0,
      fellMl: 500.11,
      slackMl: 0,
    },
  ],
};
const RUN = {
  pouredMl: 612.34,
  pouredFromMl: {},
  bledMl: 500.11,
  removedMl: 90,
  jar: JAR_COUNTED,
};
const proposed = (...leftMl: number[]) =>
  usedDraftOf({ pick: pick(...leftMl), fluidUsed: null }, RUN);

test('what the run counted stands there as a proposal, and is not called measured', () => {
  const draft = proposed(500, 250);
  expect(draft.containers.map((c) => c.poured)).toEqual(['500', '112.3']);
  expect(usedOf(draft)).toMatchObject({
    bledMl: 500.1,
    bledBy: 'strokes',
    removedMl: 90,
    spilledMl: 0,
  });
  expect(fluidUsed.safeParse(usedOf(draft)).success).toBe(true);
});

test('a container that was not needed is not put down', () => {
  expect(usedOf(proposed(700, 250))!.containers.map((c) => c.containerId)).toEqual([ID(0)]);
});

const bottle = (more: object) => ({
  containers: [
    {
      containerId: ID(0),
      label: 'Batch K-0, 500 mL',
      heldMl: 300,
      sizeMl: 500,
      poured: '0',
      discarded: '0',
      counted: '',
      ...more,
    },
  ],
});

test('more than the shelf knew of is kept once the container was counted', () => {
  const used = (more: object) => usedOf({ ...proposed(500, 250), ...bottle(more) });
  expect(used({ poured: '400', counted: '100' })!.containers).toEqual([
    { containerId: ID(0), pouredMl: 400, discardedMl: 0, countedLeftMl: 100 },
  ]);
  expect(used({ poured: '300', counted: '100' })!.containers).toEqual([
    { containerId: ID(0), pouredMl: 300, discardedMl: 0, countedLeftMl: null },
  ]);
});

test('what the run says was poured out of one stands whole, however little the shelf knew of', () => {
  const run = { ...RUN, pouredMl: 400, pouredFromMl: { [ID(0)]: 400 } };
  const draft = usedDraftOf({ pick: pick(300, 40), fluidUsed: null }, run);
  // The other one can have given 40 of it at the most.
  expect(draft.containers.map((c) => c.poured)).toEqual(['360', '40']);
  expect(usedFaults(draft)).toHaveProperty(['containers.0.countedLeftMl']);
});

test('a jar that was read in the run stands there as measured', () => {
  const jar = { ...JAR_COUNTED, since: [] };
  const draft = usedDraftOf({ pick: pick(500, 250), fluidUsed: null }, { ...RUN, jar });
  expect(usedOf(draft)).toMatchObject({ bledBy: 'measured', bledMl: 500.1 });
  expect(toConfirm(draft).at(-1)!.about).toContain('measured');
});

test('each container that was poured from and the jar are to be confirmed, one tap each', () => {
  const draft = proposed(500, 250);
  expect(toConfirm(draft).map((c) => [c.id, c.label, c.about])).toEqual([
    [ID(0), 'Batch K-0: 500 mL poured', 'empty now'],
    [ID(1), 'Batch K-1: 112.3 mL poured', '137.7 mL left in it'],
    [JAR, 'Jar: 500.1 mL', 'by the count, and 90 mL drawn off the reservoir'],
  ]);
  expect(toConfirm(proposed(700, 250)).map((c) => c.id)).toEqual([ID(0), JAR]);
  expect(draft.confirmed).toEqual([]);
});

test.each<[Partial<UsedDraft>, string, RegExp]>([
  [{ bled: '-1' }, 'bledMl', /give 0 to 20,000 mL/],
  [{ spilled: 'some' }, 'spilledMl', /Spilled is some/],
  [{ removed: '30000' }, 'removedMl', /20,000/],
  [bottle({ poured: '301' }), 'containers.0.countedLeftMl', /holding 300 mL, and 301 mL came out/],
  [bottle({ poured: '280', discarded: '30' }), 'containers.0.countedLeftMl', /310 mL came out/],
  [bottle({ poured: '301', counted: 'some' }), 'containers.0.countedLeftMl', /Left is some/],
  [bottle({ poured: '501' }), 'containers.0.pouredMl', /500 mL when full/],
  [bottle({ poured: '400', counted: '101' }), 'containers.0.pouredMl', /500 mL when full/],
])('%j is refused at its field', (more, field, words) => {
  const draft = { ...proposed(500, 250), ...more };
  expect(usedFaults(draft)).toMatchObject({ [field]: expect.stringMatching(words) });
  expect(usedOf(draft)).toBeNull();
});

test('whatever was poured, no container gives more than it held, and the balance agrees', () => {
  const held = fc.array(fc.double({ min: 1, max: 1000, noNaN: true }), {
    minLength: 1,
    maxLength: 4,
  });
  fc.assert(
    fc.property(held, fc.double({ min: 0, max: 4000, noNaN: true }), (leftMl, pouredMl) => {
      const draft = usedDraftOf({ pick: pick(...leftMl), fluidUsed: null }, { ...RUN, pouredMl });
      const used = usedOf(draft)!;
      for (const c of used.containers)
        expect(c.pouredMl).toBeLessThanOrEqual(
          draft.containers.find((d) => d.containerId === c.containerId)!.heldMl,
        );
      const balance = balanceOf(
        used,
        (id) => draft.containers.find((d) => d.containerId === id)!.heldMl,
      );
      const poured = used.containers.reduce((sum, c) => sum + c.pouredMl, 0);
      expect(balance.changeOfContentMl.value).toBeCloseTo(poured - used.bledMl - used.removedMl, 6);
      expect(balance.wasteMl.value).toBeCloseTo(used.bledMl + used.removedMl, 6);
    }),
  );
});

test('what was said to come out of a container stands there, the rest is shared out', () => {
  const job = { pick: pick(1000, 1000), fluidUsed: null };
  const [first, second] = usedDraftOf(job, RUN).containers;
  const ids = [first!.containerId, second!.containerId];
  const named = { ...RUN, pouredMl: 700, pouredFromMl: { [ids[1]!]: 500 } };
  const poured = usedDraftOf(job, named).containers.map((c) => Number(c.poured));
  expect(poured.reduce((sum, ml) => sum + ml, 0)).toBeCloseTo(700, 0);
  expect(poured[1]).toBeGreaterThanOrEqual(500);
  // One pour emptied the bottle in hand: what it did not hold came out of the next.
  const beyond = { ...RUN, pouredMl: 1200, pouredFromMl: { [ids[0]!]: 1200 } };
  expect(usedDraftOf(job, beyond).containers.map((c) => Number(c.poured))).toEqual([1000, 200]);
  // One that was not picked stands with them.
  const other = { id: 'other', batch: 'X-1', sizeMl: 500, state: 'opened', leftMl: 500 } as const;
  const from = { ...RUN, pouredMl: 100, pouredFromMl: { other: 100 } };
  expect(usedDraftOf(job, from, [other]).containers.at(-1)).toMatchObject({
    containerId: 'other',
    label: 'Batch X-1, 500 mL',
    poured: '100',
  });
});
