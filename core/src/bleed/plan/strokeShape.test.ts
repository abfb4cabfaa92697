import type { Layout } from '../../vehicle/circuit';
import { routineFlush, type WorkDone } from '../scope';
import { afterWork, carefulMaster, layoutOf, planned } from '../../testing';

const bike = layoutOf('motorcycle-front-disc');
const soft: WorkDone = { ...routineFlush([bike.masters[0]!.id]), purpose: 'soft pedal' };
/** The motorcycle with one line that falls by this much over its metre. */
function falling(dropMm: number): Layout {
  const [first] = bike.stretches;
  const at = (id: string) => bike.nodes.find((n) => n.id === id)!;
  const top = at(first!.from).heightMm;
  return {
    ...bike,
    stretches: bike.stretches.map((s) => ({ ...s, lengthMm: s === first ? 1000 : 4000 })),
    nodes: bike.nodes.map((n) => (n.id === first!.from ? n : { ...n, heightMm: top - dropMm })),
  };
}
const shape = (layout: Layout, work: WorkDone, more: object = {}) =>
  planned(layout, { work, ...more }).openings[0]!.shape;

// Air in a line that falls is pushed down fast and let climb slowly; an open port is pushed slowly: common practice, no source.
test('fast push and slow return where a line with air falls by more than a quarter of its length', () => {
  expect(shape(falling(251), soft)).toBe('fast push, slow return');
  expect(shape(falling(250), soft)).toBe('steady');
  expect(shape(falling(-200), soft)).toBe('steady');
});

test('without air, and where the workshop works steadily, every stroke is steady', () => {
  expect(shape(falling(400), { ...soft, purpose: 'routine flush' })).toBe('steady');
  expect(shape(falling(400), soft, { preferences: { strokeShape: 'steady' } })).toBe('steady');
});

test('after a master was changed strokes are slow, whatever the lines do', () => {
  const car = layoutOf('hatchback-diagonal');
  const master = { ...carefulMaster(), linesStayedFull: false };
  for (const strokeShape of ['steady', 'by the line'] as const)
    expect(shape(car, afterWork(car, { master }), { preferences: { strokeShape } })).toBe(
      'slow push',
    );
});
