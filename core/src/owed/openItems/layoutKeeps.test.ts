import type { Layout } from '../../vehicle/circuit';
import { FERRY_VAN, SIDECAR, CAR } from '../../testing/yard';
import { layoutFault, type OpenItem } from '.';

const at = (where: string | null, kind: OpenItem['kind'] = 'air possible'): OpenItem => ({
  id: 'm',
  kind,
  weight: 'holds',
  where,
  place: where,
  because: 'x',
  sinceMs: 0,
  by: 'Una',
  jobId: null,
  jobNumber: null,
});
/** The same layout with two ids in each other's places, wherever they are named. */
const swapped = (layout: Layout, a: string, b: string): Layout =>
  JSON.parse(
    JSON.stringify(layout)
      .replaceAll(`"${a}"`, '"\u0000"')
      .replaceAll(`"${b}"`, `"${a}"`)
      .replaceAll('"\u0000"', `"${b}"`),
  ) as Layout;

test('h: ids that change places would move an open item: to another wheel, to another control', () => {
  const wheels = swapped(CAR, 'left-rear', 'right-front');
  expect(layoutFault(CAR, wheels, [at('left-rear')])).toMatch(
    /should stay what it is.*clear it first/,
  );
  const [brake, clutch] = ['master', 'clutch-master'];
  const controls = swapped(FERRY_VAN, brake, clutch);
  expect(layoutFault(FERRY_VAN, controls, [at(clutch, 'control soft')])).toMatch(/clutch pedal/);
  const [one, two] = SIDECAR.masters.map((m) => m.id) as [string, string];
  expect(
    layoutFault(SIDECAR, swapped(SIDECAR, one, two), [at(one, 'control soft')]),
  ).not.toBeNull();
});

test('a place that is taken out is refused while something is open there', () => {
  const without: Layout = { ...CAR, bleeders: CAR.bleeders.filter((b) => b.id !== 'left-rear') };
  expect(layoutFault(CAR, without, [at('left-rear')])).toMatch(/left-rear: this is open/);
  expect(layoutFault(CAR, without, [at('right-rear')])).toBeNull();
});

test('nothing open, of the whole vehicle, or of a place that was never there: it may be saved', () => {
  const wheels = swapped(CAR, 'left-rear', 'right-front');
  expect(layoutFault(CAR, wheels, [])).toBeNull();
  expect(layoutFault(CAR, wheels, [at(null, 'marked'), at('nowhere')])).toBeNull();
  expect(layoutFault(CAR, CAR, [at('left-rear'), at('master', 'control soft')])).toBeNull();
});

test('a part, a line and a bowl stay what they are, at their control', () => {
  const refused = (one: string, other: string, where: string) =>
    layoutFault(FERRY_VAN, swapped(FERRY_VAN, one, other), [at(where)]);
  expect(refused('slave', 'left-rear-caliper', 'slave')).toMatch(/at the clutch pedal/);
  expect(refused('clutch-line', 'left-front-line', 'clutch-line')).toMatch(/at the clutch pedal/);
  // What is named anew elsewhere moves nothing.
  expect(refused('clutch-line', 'left-front-line', 'slave')).toBeNull();
  expect(refused('left-rear-caliper', 'right-rear-caliper', 'left-rear-caliper')).toBeNull();
  const renamed = (id: string) => swapped(FERRY_VAN, id, 'another');
  for (const id of ['slave', 'clutch-line', 'reservoir', 'clutch-master', 'slave-bleeder'])
    expect([id, layoutFault(FERRY_VAN, renamed(id), [at(id)])]).toEqual([
      id,
      expect.stringMatching(/this is open/),
    ]);
});
