import { howKnown, paths, sizeFigure, type Layout } from '../../vehicle/circuit';
import { ENTRY, figure, MODEL, type Figure } from '../../base/figure';
import { lostShare } from '../pedal';
import type { Range } from '../../base/units';
import { SLAVE_READING_MM } from './slaveTest';

/** Pressure behind a clutch that is held released, MPa [M]: where it is squeezed to, a bubble has hardly anything left. */
const RELEASED_MPA = 2.5;
/** Free play that is usual at the rod, and the way of the seal until its port is shut, mm [M]. */
const PLAY = { value: 0.5, plusMinus: 0.5 } as const;
const PORT = { value: 0.7, plusMinus: 0.4 } as const;

/** What a manual can ask of a slave's travel, mm [M]. */
export const SLAVE_NEED_MM: Range = { ...SLAVE_READING_MM, what: 'Slave travel', least: 1 };

/** What lies between a clutch's pedal or lever and the piston of its slave. */
interface Drive {
  readonly ratio: number;
  readonly boreMm: number;
  /** Diameter of one piston of the area of all, mm. */
  readonly slaveMm: number;
  readonly sizes: readonly Figure[];
}

function driveOf(layout: Layout, masterId: string): Drive | null {
  const path = paths(layout).find((p) => p.master.id === masterId);
  const slave = path?.points.at(-1)!.node;
  if (!path || slave?.kind !== 'slave') return null;
  const { chamber, master } = path;
  return {
    ratio: master.ratio,
    boreMm: chamber.boreMm,
    slaveMm: slave.pistonMm * Math.sqrt(slave.pistons),
    sizes: [
      sizeFigure('Bore of the master', chamber.boreMm, 'mm', howKnown(chamber, 'boreMm')),
      sizeFigure('Piston of the slave', slave.pistonMm, 'mm', howKnown(slave, 'pistonMm')),
    ],
  };
}

/** What a slave's travel is reckoned from. */
export interface SlaveTravelInput {
  readonly layout: Layout;
  readonly masterId: string;
  /** Way of the pad, or of the lever's tip, from its rest, mm, 0 or more. */
  readonly travelMm: number;
  /** Free play measured at the rod, mm; null where nobody measured it. */
  readonly playMm: number | null;
}

/**
 * How far a slave's piston goes: `(x/ratio − dead) · d²/D²`, hydraulic ratio of
 * the areas; dead is the free play and the way of the seal past its port. What
 * air would take of it, `airTakes` tells.
 *
 * @returns mm, not below 0; null where the master works no slave
 * @example 120 mm at ratio 6, 1 mm of play: 18.3 mm at the rod; from 15.87 to 19.05 mm that is 12.7 mm
 */
export function slaveTravel(given: SlaveTravelInput): Figure | null {
  const { layout, masterId, travelMm, playMm } = given;
  const drive = driveOf(layout, masterId);
  if (!drive) return null;
  const play = figure({
    label: 'Free play at the rod',
    ...(playMm === null ? PLAY : { value: playMm }),
    unit: 'mm',
    rule: playMm === null ? 'a usual one: nobody measured it' : 'measured',
    source: playMm === null ? MODEL : ENTRY,
  });
  const port = figure({
    label: 'Way of the seal past its port',
    ...PORT,
    unit: 'mm',
    rule: 'a usual one',
    source: MODEL,
  });
  const areas = (drive.boreMm / drive.slaveMm) ** 2;
  const rodMm = travelMm / drive.ratio - play.value - port.value;
  const doubtMm = (play.plusMinus ?? 0) + port.plusMinus!;
  return figure({
    label: 'Slave travel',
    value: Math.max(0, rodMm * areas),
    plusMinus: doubtMm * areas,
    unit: 'mm',
    rule: '(travel / ratio − dead stroke) × area of the master / area of the slave; the sizes are the layout’s',
    source: MODEL,
    from: [
      figure({
        label: 'Travel from rest',
        value: travelMm,
        unit: 'mm',
        rule: 'measured',
        source: ENTRY,
      }),
      play,
      port,
      ...drive.sizes,
    ],
  });
}

/**
 * What air takes of a clutch: so much lower, or nearer to the bar, it takes up,
 * `ratio · V₀ lost / A_master`; at the pressure of a released clutch a bubble
 * has lost most of its volume (Boyle).
 *
 * @param airMl at the pressure of the air round it, 0 or more
 * @returns mm at the pad or the lever's tip; null where the master works no slave
 */
export function airTakes(layout: Layout, masterId: string, airMl: number): Figure | null {
  const drive = driveOf(layout, masterId);
  if (!drive) return null;
  const areaMm2 = (Math.PI * drive.boreMm ** 2) / 4;
  return figure({
    label: `${airMl} mL of air takes of the take-up`,
    value: (drive.ratio * airMl * 1000 * lostShare(RELEASED_MPA)) / areaMm2,
    unit: 'mm',
    rule: `ratio × what ${airMl} mL loses at ${RELEASED_MPA} MPa, p/(p₀ + p), / area of the master`,
    source: MODEL,
    from: [drive.sizes[0]!],
  });
}
