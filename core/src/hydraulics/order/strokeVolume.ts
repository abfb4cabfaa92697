import { ARITHMETIC, figure, type Figure } from '../../base/figure';
import { howKnown, sizeFigure, tubeVolumeMl, type MasterChamber } from '../../vehicle/circuit';

/**
 * Fluid that one stroke moves out of one chamber, its circuit open and the
 * other shut: bore area × the smaller of the bleeding stroke and the chamber's own stroke.
 *
 * @example a bore of 20.6 mm and 16 mm of stroke move 5.33 mL
 */
export function strokeVolume(chamber: MasterChamber): Figure {
  const areaMm2 = (Math.PI * chamber.boreMm * chamber.boreMm) / 4;
  const usedMm = Math.min(chamber.bleedStrokeMm, chamber.fullStrokeMm);
  return figure({
    label: 'Fluid in one stroke',
    value: (areaMm2 * usedMm) / 1000,
    unit: 'mL',
    rule: 'bore area × the smaller of the bleeding stroke and the chamber’s own stroke',
    source: ARITHMETIC,
    from: [
      figure({
        label: `Bore area, ${chamber.name.toLowerCase()}`,
        value: areaMm2,
        unit: 'mm²',
        rule: 'πd²/4',
        source: ARITHMETIC,
        from: [size(chamber, 'Bore', 'boreMm')],
      }),
      size(chamber, 'Bleeding stroke', 'bleedStrokeMm'),
      size(chamber, 'Chamber’s own stroke', 'fullStrokeMm'),
    ],
  });
}

/**
 * The most that one stroke can move, mL: somebody will push to the end of travel. The
 * calls to top up reckon with it.
 *
 * @example a bore of 20.6 mm and its own 32 mm of stroke move 10.7 mL
 */
export function fullStrokeVolume(chamber: MasterChamber): Figure {
  return figure({
    label: 'Fluid in one full stroke',
    value: tubeVolumeMl(chamber.boreMm, chamber.fullStrokeMm),
    unit: 'mL',
    rule: `bore area × the chamber’s own stroke, with ${chamber.boreMm} mm and ${chamber.fullStrokeMm} mm`,
    source: ARITHMETIC,
    from: [size(chamber, 'Bore', 'boreMm'), size(chamber, 'Chamber’s own stroke', 'fullStrokeMm')],
  });
}

const size = (
  chamber: MasterChamber,
  label: string,
  key: 'boreMm' | 'bleedStrokeMm' | 'fullStrokeMm',
): Figure => sizeFigure(label, chamber[key], 'mm', howKnown(chamber, key));
