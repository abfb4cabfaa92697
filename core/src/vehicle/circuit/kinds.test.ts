import { faultParts } from '../../find/faults';
import { controlProof, PROOF_ITEMS } from '../../job/items';
import { usualPieces } from '../part';
import { planBleed } from '../../bleed/plan';
import { DEFAULT_RULES, intervalFor } from '../../bleed/rules';
import { layoutOf, planned } from '../../testing';
import {
  CONTROL_TRAITS,
  CONTROLS,
  hasServo,
  heldOf,
  PLACES,
  ACROSS_THE_AXLE,
  SIDE_OF_PLACE,
  VEHICLE_KINDS,
  VEHICLE_TRAITS,
  type VehicleKind,
} from '.';
import { type TemplateId } from './templates';

const preparationOf = (vehicleKind: VehicleKind) => {
  const layout = { ...layoutOf('hatchback-diagonal'), vehicleKind };
  const result = planBleed({ layout, fillGrade: 'DOT 4', newColour: 'straw' });
  if (result.verdict === 'refused') throw new Error(JSON.stringify(result.reasons));
  return result.plan.preparation;
};

// What each kind is like: facts of the trade, common practice, no source.
test.each<[VehicleKind, { stand: boolean; bar: boolean; servo: boolean; lamps: boolean }]>([
  ['car', { stand: true, bar: false, servo: true, lamps: true }],
  ['motorcycle', { stand: false, bar: true, servo: false, lamps: true }],
  ['three-wheeler', { stand: true, bar: false, servo: false, lamps: true }],
  ['quad', { stand: true, bar: true, servo: false, lamps: true }],
  ['trailer', { stand: true, bar: false, servo: false, lamps: false }],
])('%s: what is prepared and what is proved', (kind, { stand, bar, servo, lamps }) => {
  const steps = preparationOf(kind);
  expect(steps.includes('stand')).toBe(stand);
  expect(steps.includes('bar level')).toBe(bar);
  expect(steps.includes('empty servo')).toBe(servo);
  expect(PROOF_ITEMS[kind].includes('lamps out')).toBe(lamps);
  expect(PROOF_ITEMS[kind]).toContain('joints dry');
  expect(VEHICLE_TRAITS[kind].title).not.toBe('');
});

test('a motorcycle and a quad go by the shorter interval, all others by that of cars', () => {
  const months = VEHICLE_KINDS.map((kind) => [
    kind,
    intervalFor(
      kind,
      { ...DEFAULT_RULES, intervalCarMonths: '24', intervalMotorcycleMonths: '12' },
      null,
    ).months,
  ]);
  expect(Object.fromEntries(months)).toEqual({
    car: 24,
    motorcycle: 12,
    'three-wheeler': 24,
    quad: 12,
    trailer: 24,
  });
});

test('only the clutch’s own controls are of the clutch, and each says what is held', () => {
  expect(CONTROLS.filter((c) => CONTROL_TRAITS[c].system === 'clutch')).toEqual([
    'clutch pedal',
    'clutch lever',
  ]);
  expect(CONTROL_TRAITS['foot brake'].held).toBe('pedal');
  expect(CONTROL_TRAITS['hydraulic parking brake'].held).toBe('lever');
  expect(CONTROL_TRAITS['overrun coupling'].held).toBe('coupling');
});

// A motorcycle has a lever and a foot brake; a trailer is worked by its own push: facts of the trade.
test.each<[TemplateId, string, string]>([
  ['hatchback-diagonal', 'pedal', 'comes up'],
  ['motorcycle-front-disc', 'lever', 'comes back'],
  ['sidecar-outfit', 'pedal or lever', 'comes back'],
  ['trailer-overrun', 'coupling', 'comes out again'],
])('%s: what is held is a %s, and it %s', (id, word, returns) => {
  expect(heldOf(layoutOf(id))).toEqual({ word, returns });
});

test('a servo is as the layout says, else as usual on its kind; only a brake pedal has one', () => {
  expect(hasServo({ control: 'brake pedal' }, 'car')).toBe(true);
  expect(hasServo({ control: 'brake pedal' }, 'three-wheeler')).toBe(false);
  expect(hasServo({ control: 'brake pedal', servo: true }, 'three-wheeler')).toBe(true);
  expect(hasServo({ control: 'clutch pedal', servo: true }, 'car')).toBe(false);
  const veteran = layoutOf('veteran-single');
  expect(planned(veteran).preparation).not.toContain('empty servo');
  expect(controlProof(veteran.masters[0]!, 'car').checks).not.toContain('servo gives');
  expect(faultParts(veteran).has('servo')).toBe(false);
  expect(
    usualPieces(veteran, 'master')
      .map((p) => p.what)
      .join(),
  ).not.toMatch(/the servo/);
});

test('the side of a place stands in a table: left and right of the vehicle, none for what lies in the middle', () => {
  const of = (side: 'left' | 'right' | null) => PLACES.filter((p) => SIDE_OF_PLACE[p] === side);
  expect(of('left')).toEqual(['left front', 'left rear', 'left wheel']);
  expect(of('right')).toEqual(['right front', 'right rear', 'right wheel']);
  expect(of(null)).toEqual(['front', 'rear', 'sidecar', 'master', 'modulator', 'slave']);
});

test('what lies across the axle lies on the other side, and the way back leads home', () => {
  for (const place of PLACES) {
    const other = ACROSS_THE_AXLE[place];
    expect(other === null).toBe(SIDE_OF_PLACE[place] === null);
    if (other === null) continue;
    expect(ACROSS_THE_AXLE[other]).toBe(place);
    expect(SIDE_OF_PLACE[other]).not.toBe(SIDE_OF_PLACE[place]);
  }
  expect(ACROSS_THE_AXLE['left rear']).toBe('right rear');
});
