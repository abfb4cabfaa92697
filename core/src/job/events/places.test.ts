import { layoutOf, planned, planOf } from '../../testing';
import { routineFlush } from '../../bleed/scope';
import type { HaltReason } from '../standing';
import { airBehind, airBehindPart, broughtByHalt, heldOf, modulatorsOf } from './places';
import { namesIn } from './names';

const CAR = layoutOf('hatchback-diagonal');
const VAN = layoutOf('clutch-concentric');
const MOTORCYCLE = layoutOf('motorcycle-abs');
const PLAN = planOf(CAR);
const BIKE = planned(MOTORCYCLE, {
  work: routineFlush(MOTORCYCLE.masters.map((m) => m.id)),
});
const ids = (of: readonly { readonly where: string | null }[]) => of.map((b) => b.where);
const openingAt = (plan: typeof PLAN, bleederId: string) =>
  plan.openings.find((o) => o.bleeder.id === bleederId)!.id;

// Fluid reaches a wheel through every joint before it; what is undone there lets air in behind it. Facts of the trade, common practice, no source.
describe('air behind what was undone', () => {
  const behind = (where: string | null, layout = VAN) =>
    ids(airBehindPart(layout, where)).slice().sort();
  const all = (layout = VAN) => layout.bleeders.map((b) => b.id).sort();
  test('at a bleeder, that one; at a hose or caliper, what hangs on it', () => {
    expect(behind('left-rear')).toEqual(['left-rear']);
    expect(behind('left-front-hose')).toEqual(['left-front']);
    expect(behind('right-rear-caliper')).toEqual(['right-rear']);
    expect(behind('clutch-line')).toEqual(['slave-bleeder']);
  });
  test('at a line before the wheels part, both; at a master, all of its own', () => {
    expect(behind('modulator-front')).toEqual(['left-front', 'right-front']);
    expect(behind('master')).toEqual(['left-front', 'left-rear', 'right-front', 'right-rear']);
    expect(behind('clutch-master')).toEqual(['slave-bleeder']);
  });
  test('where nobody said, or the layout knows it not, or nothing hangs on it: all', () => {
    expect(behind(null)).toEqual(all());
    expect(behind('nowhere')).toEqual(all());
    expect(behind('reservoir')).toEqual(all());
  });
  test('without a layout it is of the whole vehicle', () => {
    expect(airBehindPart(null, 'left-rear')).toEqual([{ what: 'air possible', where: null }]);
  });
  test('at an opening its bleeder; at one that no plan knows, the whole vehicle', () => {
    const left = openingAt(PLAN, 'left-rear');
    expect(airBehind([PLAN], left)).toEqual([{ what: 'air possible', where: 'left-rear' }]);
    expect(airBehind([PLAN], 'nothing')).toEqual([{ what: 'air possible', where: null }]);
  });
});

test('a control is held as what it is; one that no plan knows as a lever, more strictly', () => {
  expect(heldOf([PLAN], 'master')).toBe('pedal');
  expect(heldOf([BIKE], 'front-master')).toBe('lever');
  expect(heldOf([PLAN, BIKE], 'front-master')).toBe('lever');
  expect(heldOf([PLAN], 'front-master')).toBe('lever');
  expect(heldOf([], 'master')).toBe('lever');
});

test('modulators are those nodes alone', () => {
  expect(modulatorsOf(VAN).slice().sort()).toEqual(['modulator-front', 'modulator-rear']);
  expect(modulatorsOf(layoutOf('veteran-single'))).toEqual([]);
});

// What each stop leaves until it is cured: shared safety rules of the trade, common practice, no source.
describe('what a halt brings', () => {
  const rear = openingAt(PLAN, 'left-rear');
  const by = (reason: HaltReason, openingId: string | null = rear, plans = [PLAN]) =>
    broughtByHalt(reason, openingId, null, plans).map((b) => `${b.what} ${b.where}`);
  test.each<[HaltReason, string[]]>([
    ['seized', ['seized left-rear']],
    ['snapped', ['snapped left-rear']],
    ['nothing comes', ['bleeder left left-rear']],
    ['leak', ['leak left-rear']],
    ['grease', ['wrong fluid left-rear']],
    ['other product', ['wrong fluid left-rear']],
    ['tool stopped', []],
    ['wrong part', []],
    ['not as planned', []],
    ['other size', []],
  ])('%s', (reason, expected) => {
    expect(by(reason)).toEqual(expected);
    expect(by(reason, null)).toEqual(expected.map((e) => e.replace('left-rear', 'null')));
  });
  test('air that never ends may come from the modulator, where only the tool reaches', () => {
    const modulators = modulatorsOf(CAR).map((m) => `tool cycle owed ${m}`);
    expect(modulators.length).toBeGreaterThan(0);
    expect(by('air never ends')).toEqual(['air possible left-rear', ...modulators]);
    const veteran = planOf('veteran-single');
    const [first] = veteran.openings;
    expect(by('air never ends', first!.id, [veteran])).toEqual([
      `air possible ${first!.bleeder.id}`,
    ]);
    expect(by('air never ends', null, [])).toEqual(['air possible null']);
  });
  test('a bowl that ran dry: every bleeder that it feeds, and no other; where nobody said which, all', () => {
    const dry = (openingId: string | null, plans = [BIKE]) =>
      by('ran dry', openingId, plans).slice().sort();
    expect(dry(openingAt(BIKE, 'rear'))).toEqual(['air possible rear']);
    const everywhere = MOTORCYCLE.bleeders.map((b) => `air possible ${b.id}`).sort();
    expect(dry(null)).toEqual(everywhere);
    expect(dry('nothing')).toEqual(everywhere);
    expect(dry(null, [])).toEqual(['air possible null']);
  });
  test('a pedal that is not right: that control; where nobody said which, those in hand', () => {
    const soft = (masterId: string | null, plans = [BIKE]) =>
      broughtByHalt('pedal not right', null, masterId, plans).map((b) => `${b.what} ${b.where}`);
    expect(soft('rear-master')).toEqual(['control soft rear-master']);
    expect(soft(null)).toEqual(MOTORCYCLE.masters.map((m) => `control soft ${m.id}`));
    expect(soft(null, [])).toEqual([]);
  });
  test('a later plan of the same run is asked first for what it knows', () => {
    expect(by('ran dry', null, [PLAN, BIKE]).slice().sort()).toEqual(
      MOTORCYCLE.bleeders.map((b) => `air possible ${b.id}`).sort(),
    );
  });
});

test('what an event names is called as on the vehicle, or said not to be there', () => {
  const names = namesIn([PLAN, BIKE]);
  expect(names.at(openingAt(PLAN, 'left-rear'))).toBe('left rear');
  expect(names.at(openingAt(BIKE, 'rear'))).toMatch(/^rear/);
  expect(names.at('nothing')).toBe('a bleeder that is not in the plan');
  expect(names.control('master')).toBe('brake pedal');
  expect(names.control('front-master')).toMatch(/lever/);
  expect(names.control('nothing')).toBe('pedal or lever');
  const [stage] = BIKE.stages;
  expect(names.stage(stage!.id)).toMatch(/^[a-z]/);
  expect(names.stage(stage!.id)).not.toBe('a stage of the plan');
  expect(names.stage('nothing')).toBe('a stage of the plan');
});
