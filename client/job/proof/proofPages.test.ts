import { type Master } from '@brook/core/vehicle/circuit';
import { layoutOf } from '@brook/core/testing';
import { controlProof, PROOF_ITEMS, type CheckItem, type Proof } from '@brook/core/job/items';
import {
  pageCalledFor,
  pageKey,
  pageTitle,
  proofPages,
  standingOf,
  type ProofPage,
} from './proofPages';

const LAYOUT = layoutOf('hatchback-diagonal', 'right');
const NOTHING: Proof = {
  controls: {},
  checks: {},
  again: [],
  photos: new Set(),
  fluidPutDown: false,
};
const pagesOf = (known: readonly CheckItem[] = [], moves = true, controls = LAYOUT.masters) =>
  proofPages({ controls, vehicleKind: LAYOUT.vehicleKind, known, moves });

/** Every answer that a page asks for, as good. */
function answered(pages: readonly ProofPage[]): Proof {
  const { masters, vehicleKind } = LAYOUT;
  return {
    controls: Object.fromEntries(
      masters.map((m: Master) => [
        m.id,
        {
          pedal: 'firm and high' as const,
          takeUp: null,
          checks: Object.fromEntries(controlProof(m, vehicleKind).checks.map((c) => [c, true])),
        },
      ]),
    ),
    checks: Object.fromEntries(PROOF_ITEMS[vehicleKind].map((i) => [i, true])),
    again: [],
    photos: new Set(),
    fluidPutDown: pages.some((p) => p.kind === 'fluid'),
  };
}

test('every item of the gate has its page, once, whatever the run knows', () => {
  for (const known of [[], ['bleeder caps'], ['bleeder caps', 'level']] as CheckItem[][]) {
    const pages = pagesOf(known);
    const items = pages.flatMap((p) =>
      p.kind === 'look' ? [p.item] : p.kind === 'known' ? p.items : [],
    );
    expect([...items].sort()).toEqual([...PROOF_ITEMS.car].sort());
    expect(new Set(pages.map(pageKey)).size).toBe(pages.length);
    for (const p of pages) expect(pageTitle(p)).toMatch(/^[A-Z]/);
  }
});

test('controls come first, the wheels after the joints, the fluid last, and none where nothing moved', () => {
  const keys = pagesOf().map(pageKey);
  expect(keys[0]).toBe('result master');
  expect(keys.indexOf('wheels')).toBeGreaterThan(keys.indexOf('joints dry'));
  expect(keys.at(-1)).toBe('fluid');
  expect(pagesOf([], false).map(pageKey)).not.toContain('fluid');
});

test('the first that nobody answered is called for, then what is not right, then nothing', () => {
  const pages = pagesOf();
  expect(pageCalledFor(pages, NOTHING)).toBe(pages[0]);
  const all = answered(pages);
  expect(pageCalledFor(pages, all)).toBeNull();
  const wet: Proof = { ...all, checks: { ...all.checks, 'joints dry': false } };
  expect(pageKey(pageCalledFor(pages, wet)!)).toBe('joints dry');
  // What is still open comes before what is known to be wrong.
  expect(pageKey(pageCalledFor(pages, { ...wet, photos: new Set(), fluidPutDown: false })!)).toBe(
    'fluid',
  );
});

test('a control that does not pass is wrong, one by itself open', () => {
  const [page] = pagesOf();
  const at = (pedal: 'springy' | 'firm and high' | null) =>
    standingOf(page!, { ...NOTHING, controls: { master: { pedal, takeUp: null, checks: {} } } });
  expect([at(null), at('springy'), at('firm and high')]).toEqual(['open', 'wrong', 'right']);
});
