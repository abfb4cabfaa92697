import type { Control, VehicleKind } from '../../vehicle/circuit';
import { CONTROL_CHECKS, controlProof, PROOF_ITEMS } from '.';

// What proves each control, written from the trade and not from the list that it checks: common practice, no source.
const CAR_CLUTCH = [
  'engages and releases',
  'reverse silent',
  'first and back',
  'no creep',
  'no slip',
  'free play',
  'slave and master dry',
];
const LEVER_CLUTCH = [
  'rolls in gear',
  'first without lurch',
  'neutral found',
  'no slip',
  'comes back',
  'slave and master dry',
];
const BRAKE = ['wheels held and free'];
const PROVES: readonly (readonly [VehicleKind, Control, string, readonly string[]])[] = [
  ['car', 'brake pedal', 'pedal', [...BRAKE, 'servo gives']],
  ['car', 'clutch pedal', 'take-up', CAR_CLUTCH],
  ['motorcycle', 'brake lever', 'pedal', BRAKE],
  ['motorcycle', 'brake pedal', 'pedal', BRAKE],
  ['motorcycle', 'clutch lever', 'take-up', LEVER_CLUTCH],
  [
    'trailer',
    'overrun coupling',
    'none',
    ['held pushed in', 'comes out and frees', 'reversing and breakaway'],
  ],
];

test.each(PROVES)('%s, %s: judged by %s, and tried', (kind, control, result, checks) => {
  const proof = controlProof({ control }, kind);
  expect(proof.result).toBe(result);
  expect([...proof.checks].sort()).toEqual([...checks].sort());
});

test('a vehicle without a servo is not asked what a servo gives, one without reverse not for its grating', () => {
  expect(controlProof({ control: 'brake pedal', servo: false }, 'car').checks).toEqual(BRAKE);
  expect(controlProof({ control: 'clutch lever' }, 'motorcycle').checks).not.toContain(
    'reverse silent',
  );
});

test('everything that can be tried is tried somewhere', () => {
  const tried = new Set<string>(PROVES.flatMap(([, , , checks]) => checks));
  expect([...tried].sort()).toEqual([...CONTROL_CHECKS].sort());
});

test.each<[VehicleKind, readonly string[]]>([
  ['car', ['lamps out', 'wheels']],
  ['motorcycle', ['lamps out']],
  ['three-wheeler', ['lamps out', 'wheels']],
  ['quad', ['lamps out', 'wheels']],
  ['trailer', ['wheels']],
])(
  'on every vehicle joints, caps, level, cap and wiping are looked at; on a %s besides: %j',
  (kind, more) => {
    expect([...PROOF_ITEMS[kind]].sort()).toEqual(
      ['joints dry', 'bleeder caps', 'level', 'reservoir cap', 'wiped dry', ...more].sort(),
    );
  },
);
