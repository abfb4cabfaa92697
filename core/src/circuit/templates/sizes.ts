/** Usual inside diameters, mm [M]: 4.75 mm line, 6.35 mm line, brake hose. */
export const LINE_4_75_INSIDE_MM = 3.35;
export const LINE_6_35_INSIDE_MM = 4.9;
export const HOSE_INSIDE_MM = 3.2;

/** The side that is not the driver's. */
export function otherSide(side: 'left' | 'right'): 'left' | 'right' {
  return side === 'left' ? 'right' : 'left';
}
