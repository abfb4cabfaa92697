import type { ConditionCode, FluidHold, FluidVerdict } from '../../fluid/verdict';
import type { HaltReason } from '../../job/events';
import { type Layout, hasServo } from '../../vehicle/circuit';

/** What can bring a person to the list: a halt of the run, a finding in the fluid, or what stopped the fluid step. */
export type FaultSign = HaltReason | ConditionCode | FluidHold;

/** Parts without which a row of the list means nothing. */
export type FaultPart =
  | 'modulator'
  | 'differential valve'
  | 'servo'
  | 'drums'
  | 'brakes'
  | 'clutch';

/** What of these a vehicle has, by its layout. */
export function faultParts(layout: Layout): ReadonlySet<FaultPart> {
  const has = (is: (n: Layout['nodes'][number]) => boolean) => layout.nodes.some(is);
  const systems = layout.masters.map((m) => m.system);
  const parts: Readonly<Record<FaultPart, boolean>> = {
    modulator: has((n) => n.kind === 'modulator'),
    'differential valve': has((n) => n.kind === 'valve' && n.valve === 'differential'),
    servo: layout.masters.some((m) => hasServo(m, layout.vehicleKind)),
    drums: has((n) => n.kind === 'wheel cylinder'),
    brakes: systems.includes('brakes'),
    clutch: systems.includes('clutch'),
  };
  return new Set((Object.keys(parts) as FaultPart[]).filter((p) => parts[p]));
}

/** One row of the list: what is seen, what is likely, what tells it from its neighbours, what to do. Common practice, no source. */
export interface FaultRow {
  readonly seen: string;
  readonly likely: string;
  readonly tell: string;
  readonly act: string;
  /** What a vehicle must have for it to be meant; left out: every vehicle. */
  readonly needs?: FaultPart;
  /** Signs that bring it up. */
  readonly fits: readonly FaultSign[];
}

/** The rows, in no order of likelihood: a plain list. */
export const FAULT_ROWS: readonly FaultRow[] = [
  {
    seen: 'Springy, travels far, better when pumped',
    likely: 'Air in the lines',
    tell: 'Travel under a light and a firm push; bubbles at the bleeders',
    act: 'Bleed by plan',
    fits: ['pedal not right', 'ran dry', 'not as planned'],
  },
  {
    seen: 'A bore, a length or a piston is not as listed',
    likely: 'A guess in the layout, or a part of another make fitted before',
    tell: 'Callipers on the part; its number; the maker’s list',
    act: 'Work the rest out by what was measured; renew a part that the maker does not list',
    fits: ['other size'],
  },
  {
    seen: 'Springy again days after a good bleed',
    likely: 'Fine bubbles in fluid that was shaken or just carried',
    tell: 'When the containers came and how they stood',
    act: 'Rest the fluid, bleed again',
    fits: ['pedal not right'],
  },
  {
    seen: 'Endless bubbles with pedal strokes',
    likely: 'Bleeder opened too far, or a joint that draws air',
    tell: 'Open less; a hiss under vacuum, a wet joint',
    act: 'A little less open; mend the joint',
    fits: ['leak', 'air never ends'],
  },
  {
    seen: 'Endless bubbles under vacuum, good pedal',
    likely: 'Air past the bleeder’s threads',
    tell: 'Shut it a little; use strokes instead',
    act: 'Do not chase it; judge by strokes',
    fits: ['air never ends'],
  },
  {
    seen: 'Soft after work on the ABS, wheels clean',
    needs: 'modulator',
    likely: 'Air inside the modulator',
    tell: 'A tool-driven cycle brings it out',
    act: 'Tool cycle, then the base bleed again',
    fits: ['air never ends', 'pedal not right'],
  },
  {
    seen: 'Nothing comes out',
    likely: 'Master piston not home, its port covered: rod too long, dry or swollen seal, debris',
    tell: 'Push the piston back from the slave side; free play at the rod',
    act: 'Restore the play; bench-bleed',
    fits: ['nothing comes'],
  },
  {
    seen: 'Level never moves while pumping, no bubbles',
    likely: 'Air lock in the master',
    tell: 'Inject fluid at the port: if it moves, look elsewhere',
    act: 'Bleed the master first',
    fits: ['nothing comes', 'ran dry'],
  },
  {
    seen: 'One wheel trickles, or stays on',
    needs: 'brakes',
    likely: 'Collapsed hose',
    tell: 'Opening its bleeder frees it',
    act: 'Renew the hose',
    fits: ['nothing comes', 'seized'],
  },
  {
    seen: 'One end floods, the other trickles, lamp lit',
    needs: 'differential valve',
    likely: 'Pressure differential valve shuttled',
    tell: 'The lamp with the parking brake off',
    act: 'Re-centre it; never remove it',
    fits: ['nothing comes'],
  },
  {
    seen: 'Sinks slowly under a steady push, nothing wet',
    likely: 'Fluid passes inside the master; with ABS also a modulator valve that does not seat',
    tell: 'Sink test with the engine off, then running; plug the master’s ports',
    act: 'Replace or rebuild what passes',
    fits: ['pedal not right'],
  },
  {
    seen: 'Sinks and something is wet',
    likely: 'Outside leak',
    tell: 'Look at every joint, hose and boot under pressure',
    act: 'Find it, mend it',
    fits: ['leak', 'pedal not right'],
  },
  {
    seen: 'Dark fluid, everything else well',
    likely: 'Age',
    tell: 'No wet joint, dry boots',
    act: 'Flush, look again next time; no part is condemned for it',
    fits: ['dark'],
  },
  {
    seen: 'Rubber or rust in the fluid, a boot soft or torn',
    likely: 'A seal and its boot breaking up',
    tell: 'Look under the boots, wheel by wheel',
    act: 'Replace that part; flush; look at the master',
    fits: ['particles'],
  },
  {
    seen: 'Diaphragm, cups or several inner seals swollen',
    likely: 'A wrong product in the fluid',
    tell: 'Drops in water, smell, layers',
    act: 'Stop: everything that is rubber',
    fits: [
      'mineral oil',
      'silicone in glycol',
      'layers',
      'drops part',
      'drops dissolve',
      'wrong chemistry inside',
      'other product',
      'water test first',
      'water test',
    ],
  },
  {
    seen: 'One outer boot swollen or torn',
    likely: 'Oil from outside, a leak, age',
    tell: 'The diaphragm is sound and the drops dissolve',
    act: 'Renew it',
    fits: ['mineral oil', 'drops part', 'water test first', 'water test'],
  },
  {
    seen: 'Thick grease from a bleeder',
    needs: 'brakes',
    likely: 'A hub or axle seal has failed',
    tell: 'Thick, dark, smells of gear oil or grease',
    act: 'Stop: a bigger job; bleeding does not cure it',
    fits: ['grease', 'other product'],
  },
  {
    seen: 'The bleeder does not move',
    likely: 'Rust at its seat and thread',
    tell: 'Penetrant and a night; a little tighter before looser',
    act: 'No heat, no flame, no force: it is hollow',
    fits: ['seized', 'snapped'],
  },
  {
    seen: 'Low, firm, drums',
    needs: 'drums',
    likely: 'Adjustment',
    tell: 'It pumps up and stays',
    act: 'Adjust; do not bleed',
    fits: ['pedal not right'],
  },
  {
    seen: 'Takes up close to the floor or bar',
    needs: 'clutch',
    likely: 'Air, wrong rod length, worn line',
    tell: 'Pump test; rod play',
    act: 'By what the test shows',
    fits: ['pedal not right'],
  },
  {
    seen: 'Hard pedal, poor braking',
    needs: 'servo',
    likely: 'Servo or pads, not air',
    tell: 'Engine test',
    act: 'Not this job',
    fits: ['pedal not right'],
  },
  {
    seen: 'Needs bleeding again after lying over winter',
    likely: 'Fluid left through the master or a joint',
    tell: 'A wet servo; the level',
    act: 'Find where it left',
    fits: ['ran dry', 'leak'],
  },
  {
    seen: 'The scan tool refuses or breaks off',
    needs: 'modulator',
    likely: 'Weak battery, ignition or pedal let go, a hot pump, a code in the unit',
    tell: 'Battery under load; the code in its own words',
    act: 'Put it right, then read the check again; never clear a code unread',
    fits: ['tool stopped'],
  },
  {
    seen: 'A new part does not sit, plug in or seal',
    likely: 'Another variant, or a piece doubled or left behind',
    tell: 'Old and new side by side; the count of pieces',
    act: 'Get the right one; never make it fit',
    fits: ['wrong part'],
  },
  {
    seen: 'Rusty parts inside a failed master',
    likely: 'Water in old fluid',
    tell: 'The history of changes',
    act: 'Change by time; a cause seen only in a dismantled part stays a guess',
    fits: ['wet now', 'boils below wet limit', 'acid', 'copper'],
  },
];

/**
 * The rows that fit what was met, in the order of the list.
 *
 * @param layout of the vehicle: what it has not is not named
 */
export function faultRowsFor(signs: readonly FaultSign[], layout?: Layout): FaultRow[] {
  const parts = layout && faultParts(layout);
  return FAULT_ROWS.filter(
    (row) =>
      row.fits.some((sign) => signs.includes(sign)) &&
      (!row.needs || !parts || parts.has(row.needs)),
  );
}

/** What stopped a job at its fluid, for the list: the findings that govern, or the hold itself. Empty where nothing stopped. */
export function signsOfFluid(verdict: FluidVerdict): FaultSign[] {
  if (verdict.verdict !== 'stop') return [];
  return verdict.hold === 'condition stops'
    ? verdict.condition!.governing.map((r) => r.code)
    : [verdict.hold!];
}
