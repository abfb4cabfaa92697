import type { TemplateId } from '../../vehicle/circuit/templates';
import { USUAL_DAY, USUAL_MEANS } from '../../hydraulics/flow';
import { routineFlush } from '../scope';
import { orderWords } from '../order';
import { tieBack } from './tieBack';
import { linesOf, stageTitle, stageWords, type PlanStage } from '.';
import {
  afterWork,
  allMasters,
  cappedPart,
  carefulMaster,
  EVERYTHING,
  layoutOf,
  planned,
  planOf,
} from '../../testing';
import { partnerWays, planBleed, preparationWords, refusalWords, type Plan } from '../plan';

const outline = (plan: Plan): string[] =>
  plan.stages.map((s) =>
    s.kind === 'bleed'
      ? `${s.purpose} by ${s.method}: ${s.openingIds.map((id) => plan.openings.find((x) => x.id === id)!.bleeder.id).join(', ')}`
      : s.kind,
  );

// The chains of stages that each kind of work asks for: common practice, no source.
describe('stages', () => {
  test('a flush is one stage, until the outlet is new', () => {
    const plan = planned(layoutOf('hatchback-diagonal'));
    expect(outline(plan)).toEqual([
      'bleed by two people: left-rear, right-rear, left-front, right-front',
    ]);
    expect(plan.openings.every((s) => s.until === 'new')).toBe(true);
  });

  test('the pickup: rear hose renewed, level unseen, one person with a vacuum pump', () => {
    const pickup = layoutOf('pickup-rear-abs');
    const plan = planned(pickup, {
      work: afterWork(pickup, {
        parts: [{ partId: 'rear-hose', cappedAtOnce: true, keptFull: false }],
      }),
      means: { ...EVERYTHING, helper: false, pressurePot: false, scanTool: false },
      method: 'vacuum',
    });
    // Only the rear reservoir was not seen, so the front circuit stays shut; the modulator's bleeder comes in the first pass alone.
    expect(outline(plan)).toEqual([
      'right part',
      'bleed by vacuum: left-rear, right-rear, modulator, left-rear, right-rear',
      'finish with strokes by alone, bottle: left-rear, right-rear, modulator',
    ]);
    expect(
      plan.scope.bleeders
        .filter((b) => !b.open)
        .map((b) => b.bleederId)
        .sort(),
    ).toEqual(['left-front', 'right-front']);
    expect(plan.methods.find((m) => m.method === 'vacuum')!.reasons.map((r) => r.code)).toContain(
      'bubbles mislead',
    );
    expect(plan.openings.every((s) => s.reservoirId === 'rear-reservoir')).toBe(true);
  });

  test('the post van: one corner and nothing else, reservoir kept full', () => {
    const van = layoutOf('hatchback-diagonal');
    const plan = planned(van, {
      work: afterWork(van, { parts: [cappedPart('right-front-caliper')] }),
    });
    expect(outline(plan)).toEqual(['bleed by two people: right-front']);
    expect(plan.preparation).not.toContain('empty reservoir');
    expect(plan.scope.advice).toMatchObject([
      { partnerId: 'left-front-caliper', why: 'axle pair' },
    ]);
    expect(plan.totals.removedMl.value).toBe(0);
  });

  test('the dry front: bench, primed by vacuum, strokes, round again in turn, lever tied back', () => {
    const bike = layoutOf('motorcycle-twin-front-master-bleeder');
    const plan = planned(bike, {
      work: { ...routineFlush(allMasters(bike)), purpose: 'new or dry' },
    });
    expect(outline(plan)).toEqual([
      'bench',
      'prime by vacuum: left-front, right-front, master-bleeder',
      'bleed by alone at the lever: master-bleeder, left-front, right-front, master-bleeder',
      'in turn until clear by alone at the lever: left-front, right-front, master-bleeder',
      'tie back',
    ]);
    expect(
      outline(
        planned(bike, {
          work: { ...routineFlush(allMasters(bike)), purpose: 'new or dry' },
          primeInPlace: true,
        }),
      )[0],
    ).toBe('prime by vacuum: left-front, right-front, master-bleeder');
    expect(plan.totals.waitingMinutes.value).toBeGreaterThan(60);
    // Every opening has a name of its own.
    expect(new Set(plan.openings.map((s) => s.id)).size).toBe(plan.openings.length);
  });

  test('the parade car: with the axle hanging nothing is lost, a driver on either side turns the order round', () => {
    const order = (side: 'left' | 'right') =>
      planned(layoutOf('veteran-single', side), {
        circumstances: { ...USUAL_DAY, axleHanging: true },
      }).openings.map((s) => s.bleeder.id);
    expect(order('right')).toEqual(['left-rear', 'right-rear', 'left-front', 'right-front']);
    expect(order('left')).toEqual(['right-rear', 'left-rear', 'right-front', 'left-front']);
  });

  test('the low take-up: the clutch of a shared reservoir alone, unless the level says otherwise', () => {
    const van = layoutOf('clutch-concentric');
    const clutch = (belowMaxMm: number | null) =>
      planned(van, {
        work: afterWork(van, {
          masterIds: ['clutch-master'],
          parts: [cappedPart('slave')],
          lowest: belowMaxMm === null ? [] : [{ reservoirId: 'reservoir', belowMaxMm }],
        }),
      });
    expect(outline(clutch(null))).toEqual(['bleed by two people: slave-bleeder', 'slave test']);
    // Inside the gearbox it can neither be held nor seen: common practice, no source.
    expect(clutch(null).stages.at(-1)).toMatchObject({ way: 'take-up', limitMm: null });
    expect(clutch(null).openings[0]!.control).toBe('clutch pedal');
    expect(clutch(null).preparation).toContain('neutral');
    expect(clutch(null).preparation).not.toContain('empty servo');
    expect(outline(clutch(60))).toEqual([
      'bleed by two people: left-rear, right-rear, left-front, right-front, slave-bleeder',
      'tool cycle',
      'again after the tool by two people: left-rear, right-rear, left-front, right-front',
      'slave test',
    ]);
  });

  test('a modulator that was changed: base bleed, tool, base bleed; without a tool the vehicle is handed over', () => {
    const car = layoutOf('hatchback-diagonal');
    const plan = planned(car, {
      work: afterWork(car, { modulatorOpened: true }),
      means: USUAL_MEANS,
    });
    expect(outline(plan).map((s) => s.split(' by ')[0])).toEqual([
      'bleed',
      'tool cycle',
      'again after the tool',
    ]);
    expect(plan.stages[1]).toMatchObject({ kind: 'tool cycle', atHand: false });
  });

  test('a flush renews the pockets only when that is wanted, by the tool and a base bleed after it', () => {
    const van = layoutOf('van-four-channel');
    const flush = (renewPockets: boolean) =>
      outline(planned(van, { work: { ...routineFlush(allMasters(van)), renewPockets } })).map(
        (s) => s.split(' by ')[0],
      );
    expect(flush(false)).toEqual(['bleed']);
    expect(flush(true)).toEqual(['bleed', 'tool cycle', 'again after the tool']);
    // Where no tool is made for it, there is nothing to choose.
    const estate = layoutOf('estate-front-rear');
    expect(
      outline(
        planned(estate, { work: { ...routineFlush(allMasters(estate)), renewPockets: true } }),
      ),
    ).toHaveLength(1);
  });

  test('a master changed with every care opens no wheel, and says which condition fails where one does', () => {
    const car = layoutOf('hatchback-diagonal');
    const care = carefulMaster();
    const plan = planned(car, { work: afterWork(car, { master: care }) });
    expect(plan.openings).toEqual([]);
    expect(plan.totals.bledMl.value).toBe(0);
    expect(plan.preparation).not.toContain('crack bleeders');
    const careless = planned(car, {
      work: afterWork(car, { master: { ...care, linesStayedFull: false, bench: 'not done' } }),
    });
    expect(careless.openings).toHaveLength(4);
    expect(careless.stages.map((s) => s.kind)).toEqual([
      'right part',
      'bench',
      'join lines',
      'bleed',
    ]);
    expect(careless.stages[1]).toMatchObject({ kind: 'bench', compulsory: true });
    expect(careless.scope.unmet.map((u) => u.condition)).toEqual(['linesStayedFull', 'bench']);
    expect(careless.openings[0]!.shape).toBe('slow push');
  });

  test('work on which nobody said anything is not planned: what may stay shut is not known', () => {
    const car = layoutOf('hatchback-diagonal');
    const result = planBleed({
      layout: car,
      fillGrade: 'DOT 4',
      newColour: 'straw',
      work: afterWork(car, {}),
    });
    expect(result).toMatchObject({ verdict: 'refused', reasons: [{ code: 'nothing named' }] });
    expect(result.verdict === 'refused' && refusalWords(car, result.reasons[0]!)).toContain(
      'Until it is named',
    );
  });

  test('new parts are compared before anything is filled, an old one that goes back is not', () => {
    const car = layoutOf('hatchback-diagonal');
    const parts = [
      { ...cappedPart('left-front-caliper'), newPart: true },
      cappedPart('right-rear-hose'),
      { partId: 'left-rear-caliper', cappedAtOnce: true, keptFull: true },
    ];
    const plan = planned(car, { work: afterWork(car, { parts }), holdPoint: false });
    expect(plan.stages.flatMap((s) => (s.kind === 'right part' ? [s.partId] : []))).toEqual([
      'left-front-caliper',
      'left-rear-caliper',
    ]);
    expect(plan.stages.slice(0, 2).map((s) => s.kind)).toEqual(['right part', 'right part']);
    expect(
      plan.materials.items.filter((m) => m.kind === 'kit' && m.what.includes('sealing washer')),
    ).toHaveLength(2);
  });

  test('lines of a new master move one by one, and lines that cross by a sequence that leaves nothing open', () => {
    const car = layoutOf('hatchback-diagonal');
    const care = carefulMaster();
    const lines = linesOf(car, 'master');
    const steps = (linesOver: readonly string[]) => {
      const plan = planned(car, { work: afterWork(car, { master: { ...care, linesOver } }) });
      return stageWords(
        plan,
        plan.stages.find((s) => s.kind === 'join lines') as Parameters<typeof stageWords>[1],
      ).steps;
    };
    expect(lines.length).toBeGreaterThan(1);
    expect(steps([]).join(' ')).toContain('Never two open at once');
    for (const order of [lines, [...lines].reverse()]) {
      const said = steps(order.map((l) => l.id));
      const at = (l: { name: string }, what: string) =>
        said.findIndex((s) => s.startsWith(`${l.name} ${what}`));
      // Off from the top down, on from the bottom up; every one is capped before the next is touched. Common practice, no source.
      const off = order.map((l) => at(l, 'off: cap'));
      const on = order.map((l) => at(l, 'on:'));
      expect(off).toEqual([...off].sort((a, b) => a - b));
      expect(on).toEqual([...on].sort((a, b) => b - a));
      expect(Math.min(...on)).toBeGreaterThan(Math.max(...off));
    }
    expect(
      planBleed({
        layout: car,
        fillGrade: 'DOT 4',
        newColour: 'straw',
        work: afterWork(car, { master: { ...care, linesOver: ['left-rear-floor'] } }),
      }),
    ).toMatchObject({ verdict: 'refused', reasons: [{ code: 'unknown element' }] });
    // A reservoir that feeds the clutch too must not drain meanwhile.
    const shared = layoutOf('clutch-concentric');
    const plan = planned(shared, {
      work: afterWork(shared, {
        masterIds: ['clutch-master'],
        master: { ...care, masterId: 'clutch-master' },
      }),
    });
    expect(
      stageWords(
        plan,
        plan.stages.find((s) => s.kind === 'join lines') as Parameters<typeof stageWords>[1],
      ).steps.join(' '),
    ).toContain('hung up');
  });

  // A house rule, and the steps of the other way do not appear: common practice, no source.
  test('the lines are joined in the one way that the workshop has', () => {
    const car = layoutOf('hatchback-diagonal');
    const steps = (joinWay: 'held down' | 'reservoir full') => {
      const plan = planned(car, {
        work: afterWork(car, { master: carefulMaster() }),
        preferences: { joinWay },
      });
      const join = plan.stages.find((s) => s.kind === 'join lines')!;
      return stageWords(plan, join as Parameters<typeof stageWords>[1]).steps.join(' ');
    };
    expect(steps('held down')).toContain('holds the brake pedal down');
    expect(steps('held down')).not.toContain('drip');
    expect(steps('reservoir full')).toContain('fluid drip at each joint');
    expect(steps('reservoir full')).not.toContain('holds the brake pedal down');
  });

  test('a new clutch lies on the bench as one set only where it comes off as one and its slave is outside', () => {
    const set = (id: TemplateId, masterId: string, setAsOne = true) => {
      const layout = layoutOf(id);
      const plan = planned(layout, {
        work: { ...routineFlush([masterId]), purpose: 'new or dry', setAsOne },
      });
      return plan.stages.flatMap((s) => (s.kind === 'bench' ? [s.set] : []));
    };
    expect(set('clutch-external', 'clutch-master')).toEqual([true]);
    expect(set('clutch-external', 'clutch-master', false)).toEqual([false]);
    expect(set('clutch-concentric', 'clutch-master')).toEqual([false]);
    expect(set('clutch-concentric', 'master')).toEqual([false]);
  });

  test('a partner costs its fitting and a little more bleeding now, its fitting and a whole bleed later', () => {
    const cases = [
      planned(layoutOf('hatchback-diagonal'), {
        work: afterWork(layoutOf('hatchback-diagonal'), {
          parts: [cappedPart('right-front-caliper')],
        }),
      }),
      planned(layoutOf('clutch-external'), {
        work: afterWork(layoutOf('clutch-external'), { parts: [cappedPart('slave')] }),
      }),
    ];
    for (const plan of cases) {
      expect(plan.scope.advice).toHaveLength(1);
      const ways = partnerWays(plan, plan.scope.advice[0]!)!;
      expect(ways.sameJob.value).toBeLessThan(ways.later.value);
      expect(ways.sameJob.from[0]).toEqual(ways.later.from[0]);
    }
    // What is inside the gearbox takes the gearbox out: common practice, no source.
    const van = layoutOf('clutch-concentric');
    const clutch = planned(van, {
      work: afterWork(van, {
        masterIds: ['clutch-master'],
        master: carefulMaster('clutch-master'),
      }),
    });
    expect(partnerWays(clutch, clutch.scope.advice[0]!)!.sameJob.value).toBeGreaterThan(300);
  });

  test('two changed parts of one circuit are held apart, unless somebody chooses otherwise', () => {
    const truck = layoutOf('estate-front-rear');
    const work = afterWork(truck, {
      parts: [cappedPart('left-front-caliper'), cappedPart('right-front-hose')],
    });
    const plan = planned(truck, { work });
    expect(outline(plan)).toEqual([
      'bleed by two people: left-front',
      'hold point',
      'second part by two people: right-front',
    ]);
    expect(stageTitle(truck, plan.stages[1]!)).toContain('Hose right front');
    expect(outline(planned(truck, { work, holdPoint: false }))).toEqual([
      'bleed by two people: left-front, right-front',
    ]);
    expect(
      outline(
        planned(truck, {
          work: afterWork(truck, {
            parts: [cappedPart('left-front-caliper'), cappedPart('left-rear-cylinder')],
          }),
        }),
      ),
    ).toHaveLength(1);
  });

  test('a lost end of a differential valve is centred first, a master that takes no fluid gets it at the port', () => {
    const estate = layoutOf('estate-front-rear');
    expect(
      outline(
        planned(estate, { work: { ...routineFlush(allMasters(estate)), endLost: 'rear' } }),
      )[0],
    ).toBe('centre the valve');
    const locked = planned(estate, {
      method: 'injection',
      circumstances: { ...USUAL_DAY, takesNoFluid: true },
    });
    expect(outline(locked)).toEqual([
      'injection',
      `bleed by two people: ${locked.openings.map((s) => s.bleeder.id).join(', ')}`,
    ]);
  });

  test('from below the old fluid goes out downwards first, and what is pushed in is poured too', () => {
    const bike = layoutOf('motorcycle-clutch-bends');
    const plan = planned(bike, { method: 'reverse' });
    expect(outline(plan)).toEqual([
      'old fluid out by alone at the lever: slave-bleeder',
      'bleed by reverse: slave-bleeder',
    ]);
    const below = plan.openings.at(-1)!;
    expect(below).toMatchObject({ fromReservoir: false, counted: 'marks' });
    expect(plan.totals.pouredMl.value).toBeGreaterThan(below.bledMl.value);
  });
});

// With every tool at hand, what each template refuses and at which element. Everything else gives a plan.

// What is said at a step is meant for the vehicle that stands there: facts of the trade, common practice, no source.
describe('words for this vehicle', () => {
  const soft = (id: TemplateId) => {
    const layout = layoutOf(id);
    return planned(layout, {
      work: { ...routineFlush(allMasters(layout)), purpose: 'soft pedal' },
    });
  };
  const saidAt = (plan: Plan, kind: PlanStage['kind']) => {
    const stage = plan.stages.find((s) => s.kind === kind);
    return stage && stage.kind !== 'bleed' ? stageWords(plan, stage).steps.join(' ') : null;
  };

  test('a lever is tied to the bar, a foot brake is not', () => {
    expect(saidAt(soft('motorcycle-front-disc'), 'tie back')).toContain('Tie it back to the bar');
    expect(saidAt(soft('sidecar-outfit'), 'tie back')).not.toBeNull();
    expect(saidAt(soft('motorcycle-rear-disc'), 'tie back')).toBeNull();
  });

  test('each lever is tied and measured by itself, in its own words', () => {
    const one = layoutOf('motorcycle-front-disc');
    const [brake] = one.masters;
    const layout = {
      ...one,
      masters: [
        brake!,
        {
          ...brake!,
          id: 'clutch-master',
          control: 'clutch lever' as const,
          system: 'clutch' as const,
        },
      ],
    };
    const work = { ...routineFlush(['master']), purpose: 'soft pedal' as const };
    const drafts = (masterIds: string[]) =>
      tieBack.drafts({ layout, work: { ...work, masterIds } } as never);
    expect(drafts([brake!.id, 'clutch-master']).map((d) => 'masterId' in d && d.masterId)).toEqual([
      brake!.id,
      'clutch-master',
    ]);
    expect(drafts(['clutch-master'])).toHaveLength(1);
    const title = (masterId?: string) =>
      stageTitle(layout, { kind: 'tie back', id: 's', ...(masterId ? { masterId } : {}) } as never);
    expect(title('clutch-master')).toBe('Tie the clutch lever back');
    expect(title(brake!.id)).toBe('Tie the brake lever back');
    // A plan from before named none.
    expect(title()).toBe('Tie the lever back');
  });

  test('a lever is turned level on the bar, a rear brake only stands upright', () => {
    const titleOf = (id: TemplateId) => preparationWords(soft(id), 'bar level').title;
    expect(titleOf('motorcycle-front-disc')).toBe('Upright, lever turned level on the bar');
    expect(titleOf('motorcycle-rear-disc')).toBe('Upright on its stand');
    const filled = preparationWords(soft('motorcycle-front-disc'), 'fill reservoir').why;
    expect(filled).toContain('Before the lever is touched');
  });

  test('a new part is compared by what it has: a caliper has a hand and no rod, only a master with a servo has one', () => {
    const compared = (id: TemplateId, partId: string) => {
      const layout = layoutOf(id);
      const part = { partId, cappedAtOnce: true, keptFull: true, newPart: true };
      return saidAt(planned(layout, { work: afterWork(layout, { parts: [part] }) }), 'right part');
    };
    const caliper = compared('hatchback-diagonal', 'right-front-caliper');
    expect(caliper).toContain('its bleeder stands at the top');
    expect(caliper).not.toMatch(/rod|the servo/);
    expect(caliper).toContain('crack its bleeder and line nut');
    expect(compared('clutch-external', 'slave')).toContain('rod');
    expect(compared('estate-front-rear', 'rear-hose')).toContain('length, ports');
    const layout = layoutOf('hatchback-diagonal');
    const work = afterWork(layout, { master: carefulMaster() });
    expect(saidAt(planned(layout, { work }), 'right part')).toMatch(
      /crack its line nuts.*rod.*or the servo/,
    );
  });

  test('a clutch is proved by the word of its own control', () => {
    const of = (id: TemplateId) => saidAt(soft(id), 'slave test');
    expect(of('motorcycle-clutch-bare')).toContain('Somebody works the lever fully');
    expect(of('clutch-concentric')).toContain('pedal held in');
    // A lever at the brakes says nothing of the clutch.
    const layout = layoutOf('clutch-concentric');
    const handBraked = {
      ...layout,
      masters: layout.masters.map((m) =>
        m.system === 'brakes' ? { ...m, control: 'hydraulic parking brake' as const } : m,
      ),
    };
    const work = { ...routineFlush(allMasters(handBraked)), purpose: 'soft pedal' as const };
    expect(saidAt(planned(handBraked, { work }), 'slave test')).toContain(' pedal held in');
    expect(saidAt(planned(handBraked, { work }), 'slave test')).not.toContain('lever');
  });

  test('a bleeder on the master itself has no metres to be compared', () => {
    const { openings } = planOf('motorcycle-twin-front-master-bleeder');
    const why = openings.find((s) => s.bleeder.place === 'master')!.why;
    expect(orderWords(why)).toBe('On the master itself: the nearest of all.');
  });
});

// What a modulator lets go comes out at the wheels behind it: fact of the trade, common practice, no source.
test('after the tool the wheels behind the modulator are bled again, not the clutch beside it', () => {
  const layout = layoutOf('clutch-concentric');
  const plan = planned(layout, {
    work: { ...routineFlush(allMasters(layout)), purpose: 'new or dry' },
  });
  const opened = (purpose: string) =>
    plan.stages.flatMap((s) =>
      s.kind === 'bleed' && s.purpose === purpose
        ? s.openingIds.map((id) => plan.openings.find((x) => x.id === id)!.bleeder.place)
        : [],
    );
  expect(opened('bleed')).toContain('slave');
  expect(opened('again after the tool').sort()).toEqual([
    'left front',
    'left rear',
    'right front',
    'right rear',
  ]);
});
