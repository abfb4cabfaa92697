import { layoutOf } from '@brook/core/testing';
import { insertInto } from '@brook/core/vehicle/circuit';
import { layoutTemplates } from '@brook/core/vehicle/circuit/templates';
import { act, renderHook } from '@testing-library/react';
import { layoutFile, readLayoutFile } from './layoutFile';
import { outline } from './outline';
import { useLayoutDraft } from './useLayoutDraft';

test.each(layoutTemplates.map((t) => [t.id, t.build(t.driverSides[0]!)] as const))(
  'the outline of %s names every element once, in the order in which the fluid meets it',
  (_, layout) => {
    const ids = outline(layout).map((r) => r.id);
    const all = [
      ...layout.reservoirs,
      ...layout.masters,
      ...layout.masters.flatMap((m) => m.chambers),
      ...layout.nodes,
      ...layout.stretches,
      ...layout.bleeders,
    ].map((e) => e.id);
    expect([...ids].sort()).toEqual([...all].sort());
    for (const s of layout.stretches) expect(ids.indexOf(s.from)).toBeLessThan(ids.indexOf(s.to));
  },
);

test('a layout goes out to a file and comes in the same; what is no layout says why', () => {
  for (const t of layoutTemplates) {
    const layout = t.build(t.driverSides[0]!);
    const file = layoutFile(layout);
    expect(file.name).toMatch(/^[a-z0-9-]+\.layout\.json$/);
    expect(readLayoutFile(file.text)).toEqual({ kind: 'layout', layout });
  }
  const good = layoutOf('three-wheeler', 'left');
  const sentences = (text: string) => {
    const read = readLayoutFile(text);
    return read.kind === 'faults' ? read.sentences.join(' ') : '';
  };
  expect(sentences('not json')).toContain('should be JSON');
  expect(sentences(JSON.stringify({ ...good, bleeders: [] }))).toContain('has no bleeder');
  expect(
    sentences(
      JSON.stringify({
        ...good,
        stretches: good.stretches.map((s) => ({ ...s, lengthMm: 'long' })),
      }),
    ),
  ).toContain('stretches › 0 › lengthMm: Length is missing; give a number.');
});

test('every change can be undone, back to where it began', () => {
  const first = layoutOf('three-wheeler', 'left');
  const { result } = renderHook(() => useLayoutDraft(first));
  expect(result.current).toMatchObject({ changed: false, undo: null, faults: [] });
  act(() => result.current.change(insertInto(first, 'feed', 'joint').layout));
  act(() => result.current.change({ ...result.current.layout, bleeders: [] }));
  expect(result.current.faults.map((f) => f.code)).toContain('missing');
  act(() => result.current.undo!());
  expect(result.current.faults).toEqual([]);
  act(() => result.current.undo!());
  expect(result.current).toMatchObject({ layout: first, changed: false });
});
