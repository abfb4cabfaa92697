import { type Layout } from '../../vehicle/circuit';
import { layoutTemplates, type TemplateId } from '../../vehicle/circuit/templates';
import { METHODS, type Method } from '../../hydraulics/flow';
import { routineFlush, type WorkDone } from '../scope';
import { stageTitle } from '../stages';
import { afterWork, allMasters, cappedPart, layoutOf, requestOf } from '../../testing';
import { handsOnMinutes, planBleed, refusalWords, type Plan } from '.';

describe('each template, each kind of work, each method', () => {
  const ALWAYS: Readonly<Partial<Record<Layout['vehicleKind'], Partial<Record<Method, string>>>>> =
    {
      car: { 'alone at the lever': 'not a motorcycle', injection: 'only for an air lock' },
      'three-wheeler': {
        'alone at the lever': 'not a motorcycle',
        injection: 'only for an air lock',
      },
      trailer: { 'alone at the lever': 'not a motorcycle', injection: 'only for an air lock' },
      motorcycle: { pressure: 'no maker’s word', injection: 'only for an air lock' },
    };
  type Kind = 'flush' | 'soft' | 'new' | 'dry' | 'part';
  const KINDS: readonly Kind[] = ['flush', 'soft', 'new', 'dry', 'part'];
  const workOf = (layout: Layout, kind: Kind): WorkDone =>
    ({
      flush: routineFlush(allMasters(layout)),
      soft: { ...routineFlush(allMasters(layout)), purpose: 'soft pedal' as const },
      new: { ...routineFlush(allMasters(layout)), purpose: 'new or dry' as const },
      dry: afterWork(layout, {
        lowest: layout.reservoirs.map((b) => ({ reservoirId: b.id, belowMaxMm: 200 })),
      }),
      part: afterWork(layout, { parts: [cappedPart(layout.bleeders[0]!.at)] }),
    })[kind];
  const EMPTY: readonly Kind[] = ['new', 'dry'];
  const SOME: Readonly<
    Partial<
      Record<
        TemplateId,
        readonly {
          readonly kinds: readonly Kind[];
          readonly method: Method;
          readonly reason: string;
        }[]
      >
    >
  > = {
    'hatchback-diagonal': [{ kinds: EMPTY, method: 'gravity', reason: 'no head@left-rear' }],
    'estate-front-rear': [
      { kinds: KINDS, method: 'pressure', reason: 'metering valve@metering' },
      { kinds: KINDS, method: 'vacuum', reason: 'metering valve@metering' },
      { kinds: EMPTY, method: 'gravity', reason: 'hardly flows@right-rear' },
    ],
    'motorcycle-clutch-bare': [
      { kinds: EMPTY, method: 'gravity', reason: 'hardly flows@slave-bleeder' },
    ],
    'pickup-rear-abs': [{ kinds: EMPTY, method: 'gravity', reason: 'no head@left-rear' }],
    'van-four-channel': [{ kinds: EMPTY, method: 'gravity', reason: 'no head@right-rear' }],
    'clutch-concentric': [{ kinds: EMPTY, method: 'gravity', reason: 'no head@right-rear' }],
    'veteran-single': [{ kinds: KINDS, method: 'gravity', reason: 'residual valve@residual' }],
    'sports-coupe': [{ kinds: EMPTY, method: 'gravity', reason: 'no head@slave-bleeder' }],
    'three-wheeler': [{ kinds: EMPTY, method: 'gravity', reason: 'no head@rear' }],
    'motorcycle-clutch-bends': [
      { kinds: [...EMPTY], method: 'gravity', reason: 'no head@slave-bleeder' },
    ],
    'motorcycle-linked': [{ kinds: EMPTY, method: 'gravity', reason: 'no head@linked' }],
    'motorcycle-abs': [{ kinds: EMPTY, method: 'gravity', reason: 'no head@rear' }],
    'trailer-overrun': [{ kinds: EMPTY, method: 'gravity', reason: 'hardly flows@left' }],
    'sidecar-outfit': [{ kinds: EMPTY, method: 'gravity', reason: 'no head@sidecar' }],
  };
  const built = layoutTemplates.flatMap((t) => KINDS.map((kind) => [t.id, kind] as const));

  test.each(built)('%s, %s', (id, kind) => {
    const layout = layoutOf(id);
    for (const method of METHODS) {
      const result = planBleed(requestOf(layout, { work: workOf(layout, kind), method }));
      const first = result.verdict === 'refused' ? result.reasons[0]! : null;
      const said =
        first?.code === 'method'
          ? first.reasons.map((r) => (r.elementId ? `${r.code}@${r.elementId}` : r.code))
          : first
            ? [`${first.code}@${'element' in first ? first.element : ''}`]
            : [];
      const special =
        id === 'motorcycle-integral-abs'
          ? 'high pressure@modulator-front'
          : (SOME[id]?.find((s) => s.kinds.includes(kind) && s.method === method)?.reason ??
            ALWAYS[layout.vehicleKind]?.[method] ??
            null);
      if (special === null) expect(said).toEqual([]);
      else expect(said.some((s) => s === special || s.startsWith(`${special}@`))).toBe(true);
      if (first) expect(refusalWords(layout, first)).toMatch(/\.$/);
      if (result.verdict === 'planned') checkSigned(result.plan, layout);
    }
  });

  /** What a technician would look for before signing. */
  function checkSigned(plan: Plan, layout: Layout): void {
    const open = plan.scope.bleeders
      .filter((b) => b.open)
      .map((b) => b.bleederId)
      .sort();
    expect([...new Set(plan.openings.map((s) => s.bleeder.id))].sort()).toEqual(open);
    for (const id of open) {
      const last = plan.openings.filter((s) => s.bleeder.id === id).at(-1)!;
      expect(last.strokes.value).toBeGreaterThanOrEqual(3);
      // Bubbles under vacuum are no measure: whatever the chain, strokes come last where anybody can make them.
      expect(last.method).not.toBe('vacuum');
    }
    for (const s of plan.openings) {
      for (const t of s.topUps) expect(t.pouredMl).toBeGreaterThan(0);
      const countedMl = s.strokes.value * s.strokeMl.value;
      // Strokes count what the way swallows; the marks of a jar begin when it is full.
      const inJarMl = s.mostMlS ? countedMl : countedMl - s.fillMl.value;
      expect(s.bledMl.value).toBeCloseTo(inJarMl, 9);
    }
    expect(plan.materials.items.some((i) => i.kind === 'wrench')).toBe(true);
    expect(handsOnMinutes(plan.materials).value).toBeGreaterThan(plan.totals.minutes.value);
    for (const stage of plan.stages) expect(stageTitle(layout, stage)).not.toBe('');
  }
});
