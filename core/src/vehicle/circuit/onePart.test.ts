import { layoutOf, planned } from '../../testing';
import {
  changeableParts,
  findScope,
  nameOf,
  partsAsOne,
  routineFlush,
  insideAtStart,
} from '../../bleed/scope';
import { stageTitle } from '../../bleed/stages';
import { partNeeds, usualPieces } from '../part';
import { cameOff, heldBack } from '../../bleed/plan';
import { validateLayout, partElements, partIdOf, type Layout } from '.';
import { layoutTemplates } from './templates';

const OUTFIT = layoutOf('sidecar-outfit');
const HUMP = ['hump-up', 'hump-down', 'sidecar-along'];
const capped = (partId: string) => ({ partId, cappedAtOnce: true, keptFull: true });
const changed = (layout: Layout, ...ids: string[]) => ({
  ...routineFlush(layout.masters.map((m) => m.id)),
  purpose: 'after work' as const,
  parts: ids.map(capped),
});
const withStretch = (id: string, more: object): Layout => ({
  ...OUTFIT,
  stretches: OUTFIT.stretches.map((s) => (s.id === id ? { ...s, ...more } : s)),
});

// A hose in clips or a bent line is bought, fitted and held as one piece: common practice, no source.
describe('a part as a workshop knows it', () => {
  test.each(HUMP)('a line over a hump is one part, told by any of its stretches: %s', (id) => {
    expect(partElements(OUTFIT, id)).toEqual(HUMP);
    expect(partIdOf(OUTFIT, id)).toBe('hump-up');
    expect(nameOf(OUTFIT, id)).toBe('Sidecar line');
  });

  test('a hose in a clip is one part, and both lengths are named where other hoses share the word', () => {
    expect(partElements(OUTFIT, 'lower-hose')).toEqual(['upper-hose', 'lower-hose']);
    expect(nameOf(OUTFIT, 'upper-hose')).toBe('Hose, bar to yoke + hose, yoke to caliper');
  });

  test('a part ends at a tee, at a bracket where the line becomes a hose, at another bore, at a nut, at a bleeder', () => {
    expect(partElements(OUTFIT, 'pedal-feed')).toEqual(['pedal-feed']);
    expect(partElements(layoutOf('hatchback-diagonal'), 'left-front-hose')).toEqual([
      'left-front-hose',
    ]);
    expect(partElements(withStretch('hump-down', { insideMm: 4.9 }), 'hump-up')).toEqual([
      'hump-up',
    ]);
    expect(partElements(withStretch('hump-down', { insideMm: 4.9 }), 'sidecar-along')).toEqual([
      'sidecar-along',
    ]);
    const sizes = { wrenchMm: 11, thread: null, torqueNm: null };
    const guessed = withStretch('hump-down', { nut: { listed: sizes, found: null } });
    expect(partElements(guessed, 'hump-up')).toEqual(HUMP);
    const union = withStretch('hump-down', { nut: { listed: sizes, found: sizes } });
    expect(partElements(union, 'hump-up')).toEqual(['hump-up', 'hump-down']);
    expect(partElements(union, 'sidecar-along')).toEqual(['sidecar-along']);
    const bled: Layout = {
      ...OUTFIT,
      bleeders: [...OUTFIT.bleeders, { ...OUTFIT.bleeders[0]!, id: 'crest', at: 'hump' }],
    };
    expect(partElements(bled, 'hump-up')).toEqual(['hump-up']);
    expect(partElements(OUTFIT, 'rear-caliper')).toEqual(['rear-caliper']);
  });

  test('each stretch of every template belongs to one part, and each part is offered once under a name of its own', () => {
    for (const { id } of layoutTemplates) {
      const layout = layoutOf(id);
      expect(validateLayout(layout)).toEqual([]);
      const parts = changeableParts(layout);
      const stretches = layout.stretches.map((s) => s.id);
      const covered = parts
        .flatMap((p) => partElements(layout, p.id))
        .filter((e) => stretches.includes(e));
      expect([...covered].sort()).toEqual([...stretches].sort());
      expect(new Set(parts.map((p) => p.name)).size).toBe(parts.length);
    }
  });

  test('its length is the whole length, and each clip on the way moves across', () => {
    const needs = partNeeds(OUTFIT, 'sidecar-along');
    expect(needs.find((n) => n.id === 'length')).toMatchObject({
      guess: { value: 520 + 700 + 620 },
    });
    const [washers, clips] = usualPieces(OUTFIT, 'lower-hose');
    expect(washers!.count).toBe(2);
    expect(clips).toMatchObject({ what: 'Clip that holds the hose', count: 1 });
  });

  test('all of it was opened, whichever stretch was named', () => {
    for (const id of HUMP) {
      const { air, bleeders } = findScope(OUTFIT, changed(OUTFIT, id));
      for (const e of HUMP) expect(air.get(e)).toBe('opened');
      expect(bleeders.filter((b) => b.open).map((b) => b.bleederId)).toEqual(['sidecar']);
    }
    // Left open at its upper end: the hose to the rear wheel rises from that tee no less than the feed.
    const uncapped = (id: string) => ({
      ...changed(OUTFIT, id),
      parts: [{ ...capped(id), cappedAtOnce: false }],
    });
    expect(findScope(OUTFIT, uncapped('sidecar-along')).air).toEqual(
      findScope(OUTFIT, uncapped('hump-up')).air,
    );
  });

  test('new, all of it is empty when the job begins', () => {
    const inside = insideAtStart({
      layout: OUTFIT,
      work: changed(OUTFIT, 'hump-down'),
      air: new Set(),
      before: null,
      inSystem: null,
      benched: [],
      benchedSets: [],
    });
    for (const id of HUMP) expect(inside[id]!.emptyMl).toBeGreaterThan(4);
    expect(inside['rear-hose']!.emptyMl).toBe(0);
  });

  test('named twice it is one part, with the worse of two answers', () => {
    const parts = partsAsOne(OUTFIT, [
      { ...capped('hump-down'), newPart: false },
      capped('rear-caliper'),
      { partId: 'hump-up', cappedAtOnce: false, keptFull: true, notYet: true },
    ]);
    expect(parts).toEqual([
      { partId: 'hump-up', cappedAtOnce: false, keptFull: true, newPart: true, notYet: true },
      { ...capped('rear-caliper') },
    ]);
    const kept = partsAsOne(OUTFIT, [
      { partId: 'hump-up', cappedAtOnce: true, keptFull: false, newPart: false },
      { partId: 'hump-up', cappedAtOnce: true, keptFull: true, newPart: false },
    ]);
    expect(kept).toEqual([
      { partId: 'hump-up', cappedAtOnce: true, keptFull: false, newPart: false },
    ]);
  });

  test('a plan names it once, compares it once and lays out one wrench for its end', () => {
    const plan = planned(OUTFIT, {
      work: changed(OUTFIT, 'hump-down', 'sidecar-along'),
    });
    expect(plan.work.parts.map((p) => p.partId)).toEqual(['hump-up']);
    expect(
      plan.stages.filter((s) => s.kind === 'right part').map((s) => stageTitle(OUTFIT, s)),
    ).toEqual(['Compare the new part: Sidecar line']);
    expect(
      plan.materials.items.filter((m) => m.kind === 'wrench' && m.what.startsWith('11 mm flare')),
    ).toMatchObject([{ for: 'Sidecar line' }]);
  });

  test('held back it comes off whole, and comes off once', () => {
    const work = changed(OUTFIT, 'rear-caliper', 'hump-down');
    expect(heldBack({ layout: OUTFIT, work })).toEqual(HUMP);
    expect(cameOff({ layout: OUTFIT, work: changed(OUTFIT, 'rear-caliper') }, { work })).toEqual(
      HUMP,
    );
    expect(cameOff({ layout: OUTFIT, work }, { work: changed(OUTFIT, 'hump-up') })).toEqual([]);
  });
});
