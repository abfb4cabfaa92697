import {
  ACROSS_THE_AXLE,
  chambersOf,
  isActuator,
  type Actuator,
  type Layout,
  circuitOf,
} from '../../vehicle/circuit';

/** What a person knows of the part that wears together with a changed one. */
export interface PartnerAge {
  readonly partId: string;
  /** Months since it was renewed; null when nobody knows. */
  readonly months: number | null;
}

/** Advice about a partner, never an order. */
export interface PartnerAdvice {
  readonly changedId: string;
  readonly partnerId: string;
  readonly partnerName: string;
  readonly advise: 'same job' | 'leave it' | 'next clutch job' | 'ask its age';
  readonly why:
    | 'axle pair'
    | 'old and outside'
    | 'lately renewed'
    | 'inside the gearbox'
    | 'age not known';
}

/** A part renewed within this is left alone [M]. */
const LATELY_MONTHS = 24;

/**
 * Parts that wear together with those changed: brakes in axle pairs, master
 * and slave of a clutch [C]. Access is weighed against age: outside and old in
 * the same job, lately renewed or inside the gearbox left.
 *
 * @param changed ids of changed parts and masters
 */
export function partnerAdvice(
  layout: Layout,
  changed: readonly string[],
  ages: readonly PartnerAge[],
): PartnerAdvice[] {
  return changed.flatMap((changedId) =>
    partnersOf(layout, changedId)
      .filter((p) => !changed.includes(p.id))
      .map((p) => adviceOn(changedId, p, ages)),
  );
}

interface Partner {
  readonly id: string;
  readonly name: string;
  readonly inGearbox: boolean;
  readonly axle: boolean;
}

function partnersOf(layout: Layout, changedId: string): Partner[] {
  const actuators = layout.nodes.filter(isActuator);
  const node = actuators.find((n) => n.id === changedId);
  if (node && node.kind !== 'slave')
    return actuators
      .filter((o) => isPair(layout, node, o))
      .map((o) => ({ id: o.id, name: o.name, inGearbox: false, axle: true }));
  const clutch = layout.masters.filter((m) => m.system === 'clutch');
  if (node)
    return clutch
      .filter((m) => m.chambers.some((c) => circuitOf(layout, c).has(node.id)))
      .map((m) => ({ id: m.id, name: m.name, inGearbox: false, axle: false }));
  const master = clutch.find((m) => m.id === changedId);
  if (!master) return [];
  const reached = chambersOf({ masters: [master] }).map(({ chamber }) =>
    circuitOf(layout, chamber),
  );
  return actuators.flatMap((n) =>
    n.kind === 'slave' && reached.some((r) => r.has(n.id))
      ? [{ id: n.id, name: n.name, inGearbox: n.inGearbox, axle: false }]
      : [],
  );
}

/** Left and right of one axle. */
function isPair(layout: Layout, a: Actuator, b: Actuator): boolean {
  const placeOf = (n: Actuator) => layout.bleeders.find((x) => x.at === n.id)?.place;
  const [here, there] = [placeOf(a), placeOf(b)];
  return here !== undefined && there !== undefined && ACROSS_THE_AXLE[here] === there;
}

function adviceOn(changedId: string, partner: Partner, ages: readonly PartnerAge[]): PartnerAdvice {
  const base = { changedId, partnerId: partner.id, partnerName: partner.name };
  const months = ages.find((a) => a.partId === partner.id)?.months ?? null;
  if (months !== null && months < LATELY_MONTHS)
    return { ...base, advise: 'leave it', why: 'lately renewed' };
  if (partner.inGearbox) return { ...base, advise: 'next clutch job', why: 'inside the gearbox' };
  if (partner.axle) return { ...base, advise: 'same job', why: 'axle pair' };
  // What nobody said is no age: then it is asked, and nothing is advised.
  return months === null
    ? { ...base, advise: 'ask its age', why: 'age not known' }
    : { ...base, advise: 'same job', why: 'old and outside' };
}
