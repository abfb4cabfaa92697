import { BLEEDER_NM, jointAgain, JOINT_NM, jointWords, torqueFault, torquePair } from '.';

// 8 lbf·ft is 10.8 N·m: the slip that is dangerous. NIST SP 811, appendix B.8.
test('both families of units stand beside each other', () => {
  expect(torquePair(8 * 1.3558179483314)).toBe('10.8 N·m = 8.0 lbf·ft = 96 lbf·in');
});

test.each([
  [BLEEDER_NM.least, true, true],
  [BLEEDER_NM.most, true, true],
  [BLEEDER_NM.least - 0.1, true, false],
  [BLEEDER_NM.most + 0.1, true, false],
  [BLEEDER_NM.most + 0.1, false, true],
  [JOINT_NM.most + 0.1, false, false],
  [NaN, true, false],
])('%p N·m, a bleeder: %p: may be %p', (nm, bleeder, may) => {
  expect(torqueFault(nm, bleeder) === null).toBe(may);
});

test.each([
  [10, 10, null],
  [10, 10.4, null],
  [10, 10.5, 'above'],
  [10, 12, 'above'],
  [10, 12.1, 'far above'],
  [10, 9, null],
  [10, 8.9, 'below'],
  [null, 12, null],
  [10, null, 'by feel'],
  [null, null, 'by feel'],
])('manual %p, applied %p: %p', (manualNm, appliedNm, again) => {
  expect(jointAgain({ manualNm, appliedNm })).toBe(again);
});

test('by feel is printed as that, never as a torque of its own', () => {
  expect(jointWords({ manualNm: null, appliedNm: null })).not.toMatch(/N·m/);
  expect(jointWords({ manualNm: 10, appliedNm: null })).toMatch(/^tightened by feel; manual 10.0/);
  expect(jointWords({ manualNm: 10, appliedNm: 14 })).toMatch(/far above it$/);
});
