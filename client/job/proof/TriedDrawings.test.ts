import { layoutTemplates } from '@brook/core/vehicle/circuit/templates';
import { controlProof } from '@brook/core/job/items';
import { TRIED_DRAWN } from './TriedDrawings';

test('whatever is tried at a pedal or a lever of any template is drawn; what a coupling does is told', () => {
  const asked = new Map<string, boolean>();
  for (const layout of layoutTemplates.map((t) => t.build(t.driverSides[0]!)))
    for (const master of layout.masters)
      for (const check of controlProof(master, layout.vehicleKind).checks)
        asked.set(check, (asked.get(check) ?? false) || master.control !== 'overrun coupling');
  expect([...asked.keys()]).toEqual(
    expect.arrayContaining(['no creep', 'reverse silent', 'first without lurch', 'neutral found']),
  );
  for (const [check, byHandOrFoot] of asked)
    expect([check, check in TRIED_DRAWN]).toEqual([check, byHandOrFoot]);
});
