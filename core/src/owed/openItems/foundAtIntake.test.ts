import { gateWords } from '../../job/gate';
import type { Plan } from '../../bleed/plan';
import type { WorkDone } from '../../bleed/scope';
import { countingIds, planned, type LooseEvent } from '../../testing';
import { controlsConcerned, groupOpenItems, lookedAtToo, owesCount, type OpenItem } from '.';
import {
  CAR,
  FERRY_VAN,
  Yard,
  run,
  used,
  ended,
  released,
  until,
  flush,
  onePart,
} from '../../testing/yard';

// What somebody sees at intake holds or is owed by its kind: common practice, no source.
describe('what is found at intake', () => {
  const found = (what: string, where = 'rear bracket') => ({
    ...flush(CAR),
    found: [{ what, where }],
  });
  const notReleased = (p: Plan) => released(CAR)(p).slice(0, -1);
  const putRight = (kind: string): LooseEvent =>
    ({
      id: 'mend',
      kind: 'mended',
      haltId: null,
      openItemId: `job-1 ${kind} vehicle`,
      where: 'rear bracket',
      how: 'flare remade',
      atMs: 5_500_000,
    }) as LooseEvent;
  const FIRST = planned(CAR, { work: flush(CAR) }).openings[0]!.bleeder.id;
  const ids = countingIds('j');
  const joint = (appliedNm: number | null): LooseEvent =>
    ({
      id: ids(),
      kind: 'joint tightened',
      elementId: FIRST,
      manualNm: 10,
      appliedNm,
      atMs: 8_000_000,
    }) as LooseEvent;
  const withJoint = (said: LooseEvent) => (p: Plan) => {
    const all = released(CAR)(p);
    const at = all.findIndex((e) => e.kind === 'fluid used');
    return [...all.slice(0, at), said, ...all.slice(at)];
  };
  const mendedFirst = (kind: string, events: (p: Plan) => LooseEvent[]) => (p: Plan) => {
    const all = events(p);
    const at = all.findIndex((e) => e.kind === 'fluid used');
    return [...all.slice(0, at), putRight(kind), ...all.slice(at)];
  };

  test('a wet joint is a leak: no gate opens before it was mended, and the proof is after the mend', () => {
    const yard = new Yard(CAR);
    const job = yard.take(found('wet joint') as WorkDone, notReleased);
    expect(yard.before).toMatchObject([
      { kind: 'leak', weight: 'holds', because: 'A joint is wet: rear bracket' },
      ...yard.before.slice(1),
    ]);
    expect(yard.gate(job).verdict).toBe('shut');
    expect(yard.gate(job).reasons.map(gateWords).join(' ')).toContain('leak');
    expect(yard.drive).toBe('do not drive');
    const mended = new Yard(CAR);
    const after = mended.take(found('wet joint') as WorkDone, mendedFirst('leak', notReleased));
    expect(mended.gate(after)).toEqual({ verdict: 'release', reasons: [] });
    mended.says.pop();
    mended.take(found('wet joint') as WorkDone, mendedFirst('leak', released(CAR)));
    expect(mended.before).toEqual([]);
  });

  test('before anything was done to it, it holds the vehicle already', () => {
    const yard = new Yard(CAR);
    yard.take(found('wet joint') as WorkDone, () => [ended]);
    expect(yard.kinds()).toContain('leak');
    expect(yard.drive).toBe('do not drive');
  });

  test('a pedal that sinks is not right until it is proved', () => {
    const yard = new Yard(CAR);
    yard.take(found('sinks') as WorkDone, () => [ended]);
    expect(yard.kinds()).toContain('control soft master');
    const done = new Yard(CAR);
    done.take(found('sinks') as WorkDone, released(CAR));
    expect(done.before).toEqual([]);
  });

  test('a pedal that sinks is proved, though nothing of it is opened', () => {
    const yard = new Yard(FERRY_VAN);
    const slave = onePart(FERRY_VAN, 'slave', ['master', 'clutch-master']);
    const concerned = (work: WorkDone) =>
      controlsConcerned(
        yard.take(work, () => []),
        FERRY_VAN,
        [],
      ).map((m) => m.id);
    expect(concerned(slave)).toEqual(['clutch-master']);
    expect(concerned({ ...slave, found: [{ what: 'sinks', where: '' }] })).toEqual([
      'master',
      'clutch-master',
    ]);
  });

  test('a cracked boot is owed until somebody says what was done, in this job or a later one', () => {
    const yard = new Yard(CAR);
    yard.take(found('cracked boot') as WorkDone, released(CAR));
    expect(yard.before).toMatchObject([{ kind: 'look again', weight: 'owed' }]);
    expect(yard.drive).toBe('free');
    yard.take(flush(CAR), released(CAR));
    expect(yard.kinds()).toEqual(['look again']);
    yard.take(flush(CAR), mendedFirst('look again', released(CAR)));
    expect(yard.before).toEqual([]);
    const same = new Yard(CAR);
    same.take(found('cracked boot') as WorkDone, mendedFirst('look again', released(CAR)));
    expect(same.before).toEqual([]);
  });

  // What was above its value is right once it is tightened to a value: a fact of the trade, no source.
  test('a joint above its value is owed until it is tightened right or put right', () => {
    const yard = new Yard(CAR);
    yard.take(flush(CAR), withJoint(joint(11)));
    expect(yard.kinds()).toEqual([`tightness ${FIRST}`]);
    expect(yard.drive).toBe('free');
    // By feel again, or above it again, settles nothing, and is said once.
    yard.take(flush(CAR), withJoint(joint(null)));
    yard.take(flush(CAR), withJoint(joint(12)));
    expect(yard.kinds()).toEqual([`tightness ${FIRST}`]);
    yard.take(flush(CAR), withJoint(joint(10)));
    expect(yard.kinds()).toEqual([]);
    // More than a fifth above, or a tenth below: it holds the vehicle, and no gate lets it go.
    for (const [nm, held] of [
      [12, false],
      [12.1, true],
      [9, false],
      [8.9, true],
    ] as const) {
      const far = new Yard(CAR);
      const job = far.take(flush(CAR), withJoint(joint(nm)));
      expect([nm, far.drive]).toEqual([nm, held ? 'do not drive' : 'free']);
      expect(far.gate(job).reasons.some((r) => r.code === 'open item')).toBe(held);
    }
  });

  test('a bleeder that was shut to more than its manual’s value is owed as a joint above it, where that value is known', () => {
    const shutTo = (torqueNm: number, manual: LooseEvent[]) => (p: Plan) => {
      const all = released(CAR)(p).map((e) =>
        e.kind === 'shut' ? ({ ...e, tightened: { torqueNm } } as LooseEvent) : e,
      );
      return [...manual, ...all];
    };
    // Known before it is opened: the manual's value, nothing applied.
    const known = () => [{ ...joint(null), atMs: 4_000_000 } as LooseEvent];
    const left = (...of: Parameters<typeof shutTo>) => {
      const yard = new Yard(CAR);
      yard.take(flush(CAR), shutTo(...of));
      return yard.before.map(({ kind, where, weight, because }) => [kind, where, weight, because]);
    };
    expect(left(14, known())).toEqual([
      [
        'tightness',
        FIRST,
        'holds',
        expect.stringMatching(/^Tightened to 14.0.*manual 10.0.*far above/),
      ],
    ]);
    expect(left(10, known())).toEqual([]);
    expect(left(14, [])).toEqual([]);
    // Opened again and shut again, both taken back: it is as it was shut first.
    const back = (p: Plan) => {
      const all = shutTo(14, known())(p);
      const at = all.findIndex((e) => e.kind === 'shut');
      const { openingId } = all[at] as { openingId: string };
      const again = { id: 'oa', kind: 'opened again', openingId, atMs: 8_500_000 } as LooseEvent;
      const twice = { ...all[at], id: 'twice', atMs: 8_600_000 } as LooseEvent;
      const undo = (eventId: string) =>
        ({ id: `u ${eventId}`, kind: 'undone', eventId }) as LooseEvent;
      return [...all.slice(0, at + 1), again, twice, undo('twice'), undo('oa'), ended];
    };
    const undone = new Yard(CAR);
    undone.take(flush(CAR), back);
    const { sinceMs } = undone.all.find((m) => m.kind === 'tightness')!;
    expect(sinceMs).toBeLessThan(8_500_000);
    // Above it first and tightened right in a later job.
    const yard = new Yard(CAR);
    yard.take(flush(CAR), shutTo(14, known()));
    yard.take(flush(CAR), shutTo(9, []));
    expect(yard.kinds()).toEqual([`tightness ${FIRST}`]);
    yard.take(flush(CAR), shutTo(9, known()));
    expect(yard.kinds()).toEqual([]);
  });

  // Whether a bleeder that was shut by feel holds is seen at the next visit: common practice, no source.
  describe('by feel', () => {
    const byFeel = (yard: Yard) =>
      yard.all.flatMap((m) => (m.kind === 'by feel' ? [m.where!] : [])).sort();
    const all = CAR.bleeders.map((b) => b.id).sort();

    test('bleeders that were shut so are looked at again at the next visit, in one line, and hold nothing', () => {
      const yard = new Yard(CAR);
      yard.take(flush(CAR), withJoint(joint(10)));
      expect(byFeel(yard)).toEqual(all.filter((id) => id !== FIRST));
      expect(yard.drive).toBe('free');
      expect(yard.all).toMatchObject([1, 2, 3].map(() => ({ weight: 'owed' })));
      const groups = groupOpenItems(yard.all);
      expect(groups.map((g) => g.title)).toEqual([
        expect.stringMatching(/^\w+ \w+, \w+ \w+ and \w+ \w+: no torque written$/),
      ]);
      expect(groups[0]!.openItems[0].because).toBe('Bleeder shut by feel');
      expect(owesCount(yard.all)).toBe(0);
    });

    test('found dry under pressure and left shut by a later job that releases, it is settled; opened again it is by feel again', () => {
      const yard = new Yard(CAR);
      yard.take(flush(CAR), released(CAR));
      expect(byFeel(yard)).toEqual(all);
      yard.take(flush(CAR), (p) => [...until(p, FIRST, 2), ended]);
      expect(byFeel(yard)).toEqual(all);
      yard.take(flush(CAR), released(CAR));
      expect(byFeel(yard)).toEqual(all);
      yard.take({ ...flush(CAR), purpose: 'look and prove' }, released(CAR));
      expect(yard.all).toEqual([]);
    });

    test('what a release would settle by a look stands beside the look: not what this job shut itself, not what it tightened', () => {
      const yard = new Yard(CAR);
      yard.take(flush(CAR), released(CAR));
      // A lamp is settled by the release as well, and is no joint.
      const lamp = { ...yard.all[0]!, id: 'lamp', kind: 'lamp lit' } as OpenItem;
      const before = [...yard.all, lamp];
      const beside = (work: WorkDone, events: (p: Plan) => readonly LooseEvent[]) => {
        const next = new Yard(CAR);
        next.position = yard.position;
        const job = next.take(work, events);
        return lookedAtToo(job, yard.about(2), before).flatMap((g) =>
          g.openItems.map((m) => m.where),
        );
      };
      const looks = { ...flush(CAR), purpose: 'look and prove' } as WorkDone;
      expect(beside(looks, () => []).sort()).toEqual(all);
      expect(beside(looks, () => [joint(10)])).toEqual(all.filter((id) => id !== FIRST));
      expect(beside(flush(CAR), notReleased)).toEqual([]);
    });

    test('the proof of another control settles none of it', () => {
      const yard = new Yard(FERRY_VAN);
      yard.take(flush(FERRY_VAN, 'master'), released(FERRY_VAN));
      const left = byFeel(yard);
      yard.take(flush(FERRY_VAN, 'clutch-master'), released(FERRY_VAN));
      expect(byFeel(yard)).toEqual(expect.arrayContaining(left));
    });

    test('tightened right, or put right, each is settled by itself', () => {
      const yard = new Yard(CAR);
      yard.take(flush(CAR), withJoint(joint(null)));
      expect(yard.all.find((m) => m.where === FIRST)!.because).toMatch(
        /^Tightened by feel; manual/,
      );
      yard.take(flush(CAR), withJoint(joint(10)));
      expect(byFeel(yard)).toEqual(all.filter((id) => id !== FIRST));
      const [second] = byFeel(yard);
      const mended = {
        id: 'mend',
        kind: 'mended',
        haltId: null,
        openItemId: `job-1 by feel ${second}`,
        where: 'rear',
        how: 'torqued',
        atMs: 5_500_000,
      } as LooseEvent;
      yard.take(flush(CAR), () => [mended, ended]);
      expect(byFeel(yard)).toEqual(all.filter((id) => id !== FIRST && id !== second));
    });

    test('a joint that two jobs said to be by feel is looked at after the second as well', () => {
      const yard = new Yard(CAR);
      const pipe = CAR.stretches.find((s) => s.kind === 'hose')!.id;
      const said = () => ({ ...joint(null), elementId: pipe }) as LooseEvent;
      for (let visit = 0; visit < 2; visit++) {
        yard.take(flush(CAR), withJoint(said()));
        expect(byFeel(yard)).toContain(pipe);
      }
      yard.take(flush(CAR), released(CAR));
      expect(byFeel(yard)).not.toContain(pipe);
    });

    test('a part that was in hand without a torque is looked at too', () => {
      const yard = new Yard(CAR);
      const hose = CAR.stretches.find((s) => s.kind === 'hose')!.id;
      yard.take(onePart(CAR, hose, ['master']), released(CAR));
      expect(yard.all).toContainEqual(
        expect.objectContaining({ kind: 'by feel', where: hose, because: 'It was in hand' }),
      );
    });
  });

  test('a lamp that is lit is owed until a proof says that the lamps are out', () => {
    const yard = new Yard(CAR);
    yard.take(found('lamp lit', 'ABS') as WorkDone, () => [ended]);
    expect(yard.before.filter((m) => m.kind === 'lamp lit')).toMatchObject([
      { because: 'A lamp is lit: ABS', weight: 'owed' },
    ]);
    const done = new Yard(CAR);
    done.take(found('lamp lit', 'ABS') as WorkDone, released(CAR));
    expect(done.before).toEqual([]);
    // The proof of a later job says it as well; a mend of something else does not.
    yard.take(
      flush(CAR),
      mendedFirst('look again', (p) => [...(run(p) as LooseEvent[]), used, ended]),
    );
    expect(yard.kinds()).toContain('lamp lit');
    yard.take(flush(CAR), released(CAR));
    expect(yard.kinds()).not.toContain('lamp lit');
  });

  test('a part that was changed on a soft pedal leaves both, said once each', () => {
    const yard = new Yard(CAR);
    const both = { ...onePart(CAR, 'left-front-caliper', ['master']), also: ['soft'] };
    yard.take(both as WorkDone, () => [ended]);
    expect(yard.kinds()).toEqual(
      expect.arrayContaining([
        'control soft master',
        'part off left-front-caliper',
        'air possible left-front',
      ]),
    );
    expect(yard.kinds()).not.toContain('air possible left-rear');
  });
});
