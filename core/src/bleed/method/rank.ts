import { chambersOf, paths, type Layout, type Path, VEHICLE_TRAITS } from '../../vehicle/circuit';
import { figure, MODEL, PRACTICE, type Figure } from '../../base/figure';
import {
  columnPa,
  LAMINAR_REYNOLDS,
  METHOD_TRAITS,
  METHODS,
  MOST_PRESSURE_KPA,
  type Circumstances,
  type Means,
  type Method,
  type MethodTraits,
  reynolds,
  risesAt,
  steadyFlowMlS,
  transport,
  type Motion,
  type Rise,
  type StretchVerdict,
} from '../../hydraulics/flow';

export type MethodVerdict = 'feasible' | 'second best' | 'hopeless';

/** One reason for or against a method, with the element that it is about. */
export interface MethodReason {
  /** What is to be minded speaks neither for it nor against it. */
  readonly weight: 'for' | 'mind' | 'against' | 'stops';
  readonly code:
    | 'no helper'
    | 'not a motorcycle'
    | 'no bottle'
    | 'no pump'
    | 'no pot'
    | 'no syringe'
    | 'no maker’s word'
    | 'no head'
    | 'hardly flows'
    | 'too slow to carry'
    | 'rises back'
    | 'axle hangs'
    | 'metering valve'
    | 'residual valve'
    | 'dirty fluid'
    | 'through a modulator'
    | 'bubbles mislead'
    | 'loose threads'
    | 'look at the level'
    | 'worn master'
    | 'only for an air lock'
    | 'not at the top'
    | 'lever not level'
    | 'flow not laminar'
    | 'flow not known'
    | 'most velocity'
    | 'clean and slow'
    | 'one person'
    | 'air goes the way it rises'
    | 'carries'
    | 'workshop likes it'
    | 'frees a port';
  readonly elementId: string | null;
  /** A figure that belongs to it: millimetres that are missing, velocity, pressure. */
  readonly figure: Figure | null;
}

/** What would change the verdict, and by how much. */
export interface Cure {
  readonly kind:
    | 'raise the master’s end'
    | 'raise the bleeder’s end'
    | 'lower the bleeder'
    | 'load the axle'
    | 'hold the valve open'
    | 'turn the part'
    | 'turn the lever'
    | 'flush downwards first'
    | 'tap'
    | 'another method';
  readonly elementId: string | null;
  readonly byMm: number | null;
  readonly becomes: MethodVerdict;
}

/** What a method does on the way to one bleeder. */
export interface BleederFlow {
  readonly bleederId: string;
  /** Null where it cannot be computed. */
  readonly flowMlS: Figure | null;
  /** Head that drives it, mm, where gravity helps. */
  readonly headMm: Figure;
  readonly stretches: readonly StretchVerdict[];
}

/** The stretch on which a bubble is left behind first. */
export interface DecidingStretch extends StretchVerdict {
  readonly bleederId: string;
}

export interface MethodRow {
  readonly method: Method;
  readonly verdict: MethodVerdict;
  readonly reasons: readonly MethodReason[];
  readonly flows: readonly BleederFlow[];
  readonly deciding: DecidingStretch | null;
  readonly cures: readonly Cure[];
}

/** What is asked of the ranking. */
export interface MethodQuestion {
  readonly layout: Layout;
  /** Bleeders that are opened. */
  readonly bleederIds: readonly string[];
  /** Elements that may hold air. */
  readonly air: ReadonlySet<string>;
  /** Of these the ones that ran empty. */
  readonly empty: ReadonlySet<string>;
  readonly means: Means;
  readonly circumstances: Circumstances;
  /** Null where nobody knows: silicone and mineral oil without a data sheet. */
  readonly viscosity: Figure | null;
  readonly strokeMl: (path: Path) => number;
}

interface Question extends MethodQuestion {
  readonly riseIn: ((insideMm: number) => Rise) | null;
}

const ORDER: readonly MethodVerdict[] = ['feasible', 'second best', 'hopeless'];

/** Rank every method for a job: feasible first, then second best, then hopeless, each with its reasons. */
export function rankMethods(asked: MethodQuestion): MethodRow[] {
  const question: Question = {
    ...asked,
    riseIn: asked.viscosity && risesAt(asked.viscosity.value),
  };
  const ways = paths(question.layout).filter((p) => question.bleederIds.includes(p.bleeder.id));
  const rows = METHODS.map((method) => judge(question, method, ways));
  const sorted = [...rows].sort(
    (a, b) =>
      ORDER.indexOf(a.verdict) - ORDER.indexOf(b.verdict) ||
      needed(question, b) - needed(question, a) ||
      liked(question, b) - liked(question, a) ||
      place(question, a) - place(question, b),
  );
  const best = sorted[0]!;
  if (best.verdict === 'hopeless') return sorted;
  const other: Cure = {
    kind: 'another method',
    elementId: best.method,
    byMm: null,
    becomes: best.verdict,
  };
  return sorted.map((row) =>
    row.verdict === 'hopeless' && row.cures.length === 0 ? { ...row, cures: [other] } : row,
  );
}

/** In the order in which they are usually best; on a motorcycle one person reaches lever and bleeder. */
const place = ({ layout }: MethodQuestion, { method }: MethodRow): number =>
  VEHICLE_TRAITS[layout.vehicleKind].bar && method === 'alone at the lever'
    ? -1
    : METHODS.indexOf(method);
/** A master that takes no fluid takes none by any other method either: the port is freed first. */
const needed = ({ circumstances }: MethodQuestion, row: MethodRow): number =>
  circumstances.takesNoFluid && row.method === 'injection' ? 1 : 0;
const liked = ({ circumstances }: MethodQuestion, row: MethodRow): number =>
  circumstances.preferred === row.method ? 1 : 0;

/** How far both ends are moved while a cure is tried, mm. */
interface Moved {
  readonly masterUpMm: number;
  readonly bleederUpMm: number;
}
const AS_IT_STANDS: Moved = { masterUpMm: 0, bleederUpMm: 0 };

function judge(question: Question, method: Method, ways: readonly Path[]): MethodRow {
  const flows = ways.map((path) => flowTo(question, method, path, AS_IT_STANDS));
  const reasons = [
    ...meansReasons(question, method, ways),
    ...valveReasons(question, method, ways),
    ...flowReasons(question, method, ways, flows),
    ...natureReasons(question, method, ways),
  ];
  const verdict = verdictOf(reasons);
  return {
    method,
    verdict,
    reasons,
    flows,
    deciding: decidingStretch(flows),
    cures: verdict === 'feasible' ? [] : curesFor(question, method, ways, flows, reasons),
  };
}

function verdictOf(reasons: readonly MethodReason[]): MethodVerdict {
  if (reasons.some((r) => r.weight === 'stops')) return 'hopeless';
  return reasons.some((r) => r.weight === 'against') ? 'second best' : 'feasible';
}

/** The stretch with the least velocity left over, of those that fall; null where none does. */
export function decidingStretch(flows: readonly BleederFlow[]): DecidingStretch | null {
  const falling = flows.flatMap(({ bleederId, stretches }) =>
    stretches.filter((s) => s.fallsMm > 0).map((stretch) => ({ bleederId, stretch })),
  );
  if (falling.length === 0) return null;
  const worst = falling.reduce((a, b) => (b.stretch.marginMmS < a.stretch.marginMmS ? b : a));
  return { ...worst.stretch, bleederId: worst.bleederId };
}

const reason = (
  weight: MethodReason['weight'],
  code: MethodReason['code'],
  elementId: string | null = null,
  of: Figure | null = null,
): MethodReason => ({ weight, code, elementId, figure: of });

/** What is not at hand, or not allowed here. */
function meansReasons(
  { layout, means, circumstances }: MethodQuestion,
  method: Method,
  ways: readonly Path[],
): MethodReason[] {
  const { bar } = VEHICLE_TRAITS[layout.vehicleKind];
  switch (method) {
    case 'two people':
      return means.helper ? [] : [reason('stops', 'no helper')];
    case 'alone at the lever':
      return bar ? [] : [reason('stops', 'not a motorcycle')];
    case 'alone, bottle':
      return means.bottle ? [] : [reason('stops', 'no bottle')];
    case 'vacuum':
      return means.vacuumPump ? [] : [reason('stops', 'no pump')];
    case 'pressure': {
      if (!means.pressurePot) return [reason('stops', 'no pot')];
      const weak = reservoirsOf(layout, ways).find(
        (b) => pressureAllowedKpa(layout, b.makerPressureKpa) < METHOD_TRAITS.pressure.drivenKpa!,
      );
      return weak
        ? [
            reason(
              'stops',
              'no maker’s word',
              weak.id,
              pressureFigure(layout, weak.makerPressureKpa),
            ),
          ]
        : [];
    }
    case 'reverse':
      return means.syringe ? [] : [reason('stops', 'no syringe')];
    case 'injection':
      if (!circumstances.takesNoFluid) return [reason('stops', 'only for an air lock')];
      return means.syringe ? [] : [reason('stops', 'no syringe')];
    case 'gravity':
      return [];
  }
}

/** Pressure that a reservoir may be put under, kPa: the maker's word, else common practice on a car and none on a motorcycle. */
function pressureAllowedKpa(layout: Layout, makerKpa: number | null): number {
  return makerKpa ?? (VEHICLE_TRAITS[layout.vehicleKind].bar ? 0 : MOST_PRESSURE_KPA);
}

function pressureFigure(layout: Layout, makerKpa: number | null): Figure {
  return figure({
    label: 'Pressure it bears',
    value: pressureAllowedKpa(layout, makerKpa),
    unit: 'kPa',
    rule:
      makerKpa === null
        ? 'none without the maker’s word: thin plastic and motorcycle reservoirs often bear far less'
        : 'by the maker',
    source: PRACTICE,
  });
}

/** Valves that stop a bleed without being faulty [C]. */
function valveReasons(
  { layout, circumstances }: MethodQuestion,
  method: Method,
  ways: readonly Path[],
): MethodReason[] {
  const valves = layout.nodes
    .filter((n) => n.kind === 'valve')
    .filter((v) => ways.some((p) => p.points.some((x) => x.node.id === v.id)));
  return valves.flatMap((v): MethodReason[] => {
    if (v.valve === 'load' && circumstances.axleHanging)
      return [reason('stops', 'axle hangs', v.id)];
    if (v.valve === 'metering' && (method === 'pressure' || method === 'vacuum'))
      return [reason('stops', 'metering valve', v.id)];
    if (v.valve === 'residual' && method === 'gravity')
      return [reason('stops', 'residual valve', v.id)];
    return [];
  });
}

/** Slower than this nobody waits for it, mL/s [M]: a line of 40 mL would take a quarter of an hour to show anything. */
const HOPELESS_ML_S = 0.05;
const isHopeless = (flowMlS: number): boolean => flowMlS < HOPELESS_ML_S;

/** What the flow does with air, where air may be. */
function flowReasons(
  question: MethodQuestion,
  method: Method,
  ways: readonly Path[],
  flows: readonly BleederFlow[],
): MethodReason[] {
  const reasons: MethodReason[] = [];
  const airless = flows.filter((f) => method === 'gravity' && f.headMm.value <= 0);
  for (const f of airless) reasons.push(reason('stops', 'no head', f.bleederId, f.headMm));
  const slow = flows.filter(
    (f) => method === 'gravity' && !airless.includes(f) && f.flowMlS && isHopeless(f.flowMlS.value),
  );
  for (const f of slow) reasons.push(reason('stops', 'hardly flows', f.bleederId, f.flowMlS));
  if (question.viscosity === null) {
    if (METHOD_TRAITS[method].drivenKpa !== undefined)
      reasons.push(reason('mind', 'flow not known'));
    return reasons;
  }
  const airy = flows.map((f) => ({
    ...f,
    stretches: f.stretches.filter((s) => question.air.has(s.stretchId)),
  }));
  const deciding = decidingStretch(airy);
  if (deciding && airless.length === 0) {
    if (deciding.verdict === 'rises back')
      reasons.push(reason('stops', 'rises back', deciding.stretchId, deciding.riseMmS));
    else if (deciding.verdict === 'stuck')
      reasons.push(
        reason('against', 'too slow to carry', deciding.stretchId, deciding.velocityMmS),
      );
    else reasons.push(reason('for', 'carries', deciding.stretchId, deciding.velocityMmS));
  }
  for (const [i, f] of flows.entries()) {
    const fast = ways[i]!.stretches.find(
      (s) =>
        f.flowMlS &&
        reynolds(f.flowMlS.value, s.insideMm, question.viscosity!.value) > LAMINAR_REYNOLDS,
    );
    if (fast && METHOD_TRAITS[method].kind === 'steady')
      reasons.push(reason('mind', 'flow not laminar', fast.id));
  }
  return reasons;
}

/** What a method is good and bad at by nature [C]. */
function natureReasons(
  { layout, means, circumstances, air, bleederIds }: MethodQuestion,
  method: Method,
  ways: readonly Path[],
): MethodReason[] {
  const reasons: MethodReason[] = [];
  const hasAir = air.size > 0;
  const traits = METHOD_TRAITS[method];
  const modulator =
    ways.flatMap((p) => p.points).find((p) => p.node.kind === 'modulator')?.node.id ?? null;
  if (circumstances.preferred === method) reasons.push(reason('for', 'workshop likes it'));
  if (method === 'two people') reasons.push(reason('for', 'most velocity'));
  if (method === 'gravity')
    reasons.push(
      reason('for', 'clean and slow'),
      ...(hasAir ? [reason('against', 'too slow to carry')] : []),
    );
  if (['alone at the lever', 'alone, bottle', 'pressure', 'vacuum'].includes(method))
    reasons.push(reason('for', 'one person'));
  if (method === 'alone, bottle')
    reasons.push(reason(hasAir ? 'against' : 'mind', 'loose threads'));
  if (method === 'vacuum') reasons.push(reason(hasAir ? 'against' : 'mind', 'bubbles mislead'));
  if (method === 'reverse') {
    reasons.push(reason('for', 'air goes the way it rises'));
    if (circumstances.dirty || !hasAir) reasons.push(reason('against', 'dirty fluid'));
    if (modulator) reasons.push(reason('against', 'through a modulator', modulator));
  }
  if (method === 'injection') reasons.push(reason('for', 'frees a port'));
  if (circumstances.masterWorn && traits.kind === 'strokes')
    reasons.push(reason('against', 'worn master', ways[0]?.chamber.id ?? null));
  if (
    traits.kind === 'steady' &&
    !traits.reverse &&
    !means.selfRefilling &&
    !means.helper &&
    method !== 'injection'
  )
    reasons.push(reason('mind', 'look at the level'));
  if (hasAir) {
    for (const b of layout.bleeders.filter((x) => bleederIds.includes(x.id) && !x.atTop))
      reasons.push(reason('against', 'not at the top', b.id));
    // On a lever that lies tilted the last air stands in the high end of the master, away from its port [C].
    for (const m of new Set(ways.map((p) => p.master)))
      if (m.control.includes('lever') && m.attitude !== 'level')
        reasons.push(reason('against', 'lever not level', m.id));
  }
  return reasons;
}

function curesFor(
  question: Question,
  method: Method,
  ways: readonly Path[],
  flows: readonly BleederFlow[],
  reasons: readonly MethodReason[],
): Cure[] {
  const without = (...codes: MethodReason['code'][]): MethodVerdict =>
    verdictOf(reasons.filter((r) => !codes.includes(r.code)));
  const cures: Cure[] = [];
  for (const r of reasons) {
    if (r.code === 'axle hangs')
      cures.push({
        kind: 'load the axle',
        elementId: r.elementId,
        byMm: null,
        becomes: without('axle hangs'),
      });
    if (r.code === 'metering valve')
      cures.push({
        kind: 'hold the valve open',
        elementId: r.elementId,
        byMm: null,
        becomes: without('metering valve'),
      });
    if (r.code === 'not at the top')
      cures.push({
        kind: 'turn the part',
        elementId: r.elementId,
        byMm: null,
        becomes: without('not at the top'),
      });
    if (r.code === 'lever not level')
      cures.push({
        kind: 'turn the lever',
        elementId: r.elementId,
        byMm: null,
        becomes: without('lever not level'),
      });
    if (r.code === 'dirty fluid')
      cures.push({
        kind: 'flush downwards first',
        elementId: null,
        byMm: null,
        becomes: without('dirty fluid'),
      });
  }
  const airless = flows.filter((f) => method === 'gravity' && f.headMm.value <= 0);
  const lacking = ways.flatMap((path, i) => {
    const byMm = method === 'gravity' ? raiseMm(question, path, flows[i]!) : 0;
    return byMm > 0 ? [{ bleederId: path.bleeder.id, byMm }] : [];
  });
  if (lacking.length > 0) {
    const { bleederId, byMm } = lacking.reduce((a, b) => (b.byMm > a.byMm ? b : a));
    for (const [kind, moved] of [
      ['raise the master’s end', { masterUpMm: byMm, bleederUpMm: 0 }],
      ['lower the bleeder', { masterUpMm: 0, bleederUpMm: -byMm }],
    ] as const) {
      cures.push({
        kind,
        elementId: bleederId,
        byMm,
        becomes: verdictMoved(question, method, ways, moved),
      });
    }
  }
  const deciding = decidingStretch(
    flows.map((f) => ({
      ...f,
      stretches: f.stretches.filter((s) => question.air.has(s.stretchId)),
    })),
  );
  if (deciding && deciding.verdict !== 'carried' && question.viscosity) {
    const byMm = Math.ceil(deciding.fallsMm);
    if (method !== 'gravity')
      cures.push({
        kind: 'raise the bleeder’s end',
        elementId: deciding.stretchId,
        byMm,
        becomes: without('rises back', 'too slow to carry'),
      });
    if (airless.length === 0)
      cures.push({
        kind: 'tap',
        elementId: deciding.stretchId,
        byMm: null,
        becomes: verdictOf(reasons),
      });
  }
  return cures;
}

/** How far a vehicle's end is raised at the most, mm [M]. */
const MOST_RAISED_MM = 3000;

/** By how many whole millimetres one end must be raised before gravity gives what anybody waits for; 0 where it does already, or where no height would do. */
function raiseMm(question: Question, path: Path, { headMm, flowMlS }: BleederFlow): number {
  const least = Math.max(0, Math.ceil(1 - headMm.value));
  // Without its viscosity nothing is known but that it must have a head.
  if (!flowMlS) return headMm.value > 0 ? 0 : least;
  const isEnough = (mm: number): boolean => {
    const raised = flowTo(question, 'gravity', path, { masterUpMm: mm, bleederUpMm: 0 });
    return raised.headMm.value > 0 && !isHopeless(raised.flowMlS!.value);
  };
  if (isEnough(0) || !isEnough(MOST_RAISED_MM)) return 0;
  let [low, high] = [0, MOST_RAISED_MM];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (isEnough(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/** The verdict with one end moved. */
function verdictMoved(
  question: Question,
  method: Method,
  ways: readonly Path[],
  moved: Moved,
): MethodVerdict {
  const flows = ways.map((path) => flowTo(question, method, path, moved));
  return verdictOf([
    ...meansReasons(question, method, ways),
    ...valveReasons(question, method, ways),
    ...flowReasons(question, method, ways, flows),
    ...natureReasons(question, method, ways),
  ]);
}

/** Head, flow and every stretch on the way to one bleeder. */
function flowTo(question: Question, method: Method, path: Path, moved: Moved): BleederFlow {
  const traits = METHOD_TRAITS[method];
  const headMm = headFigure(question, path, moved);
  const motion = motionOf(question, traits, path, headMm.value);
  return {
    bleederId: path.bleeder.id,
    headMm,
    flowMlS:
      motion &&
      figure({
        label: traits.strokeS ? 'Flow in the push' : 'Flow',
        value: motion.flowMlS,
        unit: 'mL/s',
        ...flowRule(traits, question, headMm),
      }),
    stretches: motion && question.riseIn ? transport(path, motion, question.riseIn) : [],
  };
}

function motionOf(
  question: MethodQuestion,
  traits: MethodTraits,
  path: Path,
  headMm: number,
): Motion | null {
  if (traits.strokeS)
    return {
      flowMlS: question.strokeMl(path) / traits.strokeS.push,
      strokeS: traits.strokeS,
      reverse: false,
    };
  if (traits.handMlS !== undefined)
    return { flowMlS: traits.handMlS, strokeS: null, reverse: traits.reverse };
  if (!question.viscosity) return null;
  return {
    flowMlS: steadyFlowMlS(
      path,
      traits.drivenKpa! * 1000 + columnPa(headMm),
      question.viscosity.value,
    ),
    strokeS: null,
    reverse: false,
  };
}

function flowRule(
  traits: MethodTraits,
  question: MethodQuestion,
  headMm: Figure,
): Pick<Figure, 'rule' | 'source' | 'from' | 'plusMinus'> {
  if (traits.strokeS)
    return {
      rule: `fluid in one stroke ÷ ${traits.strokeS.push} s of push`,
      source: MODEL,
      from: [],
    };
  if (traits.handMlS !== undefined)
    return { rule: 'by hand, slow and steady', source: MODEL, from: [] };
  return {
    rule: `Hagen–Poiseuille along the lines, Q = π d⁴ Δp/(128 μ L), and the cracked bleeder as an orifice; Δp is ${traits.drivenKpa} kPa and the head. Valid while the flow is laminar, Reynolds number below ${LAMINAR_REYNOLDS}`,
    source: { kind: 'standard', name: 'Hagen–Poiseuille; the orifice is a model' },
    from: [headMm, ...(question.viscosity ? [question.viscosity] : [])],
  };
}

/** Reservoir level minus outlet minus every leg that falls towards the bleeder and is full of air, mm. */
function headFigure({ layout, empty }: MethodQuestion, path: Path, moved: Moved): Figure {
  const reservoir = layout.reservoirs.find((b) => b.id === path.chamber.fedBy)!;
  const levelMm = reservoir.heightMm + moved.masterUpMm;
  const outletMm = path.points.at(-1)!.node.heightMm + moved.bleederUpMm;
  const legs = path.stretches.flatMap((s, i) => {
    const fallsMm = path.points[i]!.node.heightMm - path.points[i + 1]!.node.heightMm;
    return fallsMm > 0 && empty.has(s.id)
      ? [
          figure({
            label: s.name,
            value: fallsMm,
            unit: 'mm',
            rule: 'falls towards the bleeder and is full of air: it costs its own height',
            source: MODEL,
          }),
        ]
      : [];
  });
  return figure({
    label: 'Head',
    value: levelMm - outletMm - legs.reduce((sum, l) => sum + l.value, 0),
    unit: 'mm',
    source: MODEL,
    rule: 'reservoir level − outlet − every leg that falls towards the bleeder and is full of air',
    from: [
      figure({
        label: 'Reservoir at MAX',
        value: levelMm,
        unit: 'mm',
        rule: 'height above the ground',
        source: MODEL,
      }),
      figure({
        label: 'Outlet',
        value: outletMm,
        unit: 'mm',
        rule: 'height above the ground',
        source: MODEL,
      }),
      ...legs,
    ],
  });
}

function reservoirsOf(layout: Layout, ways: readonly Path[]): Layout['reservoirs'] {
  const fed = new Set(
    chambersOf(layout).flatMap(({ chamber }) =>
      ways.some((p) => p.chamber.id === chamber.id) ? [chamber.fedBy] : [],
    ),
  );
  return layout.reservoirs.filter((b) => fed.has(b.id));
}
