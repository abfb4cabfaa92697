import { convertLength } from './length';
import { convertPressure } from './pressure';
import { convertTemperature } from './temperature';
import { convertTorque } from './torque';
import { convertVolume } from './volume';

const said = (value: number, digits: number): string => value.toFixed(digits).replace('-', '−');

/**
 * A quantity in the other unit of the trade, to stand beside it; null where
 * there is none, or where nobody says it in another.
 *
 * @example inOtherUnit(10.8, 'N·m') is "8.0 lbf·ft"
 */
export function inOtherUnit(value: number, unit: string): string | null {
  switch (unit) {
    case 'mm':
      return `${said(convertLength(value, 'mm', 'in'), 2)} in`;
    case 'm':
      return `${said(convertLength(value, 'm', 'ft'), 1)} ft`;
    case 'mL':
      return `${said(convertVolume(value, 'mL', 'flOzUs'), 2)} US fl oz`;
    case '°C':
      return `${said(convertTemperature(value, '°C', '°F'), 0)} °F`;
    case 'N·m':
      // Small joints are said in inches.
      return value < 5
        ? `${said(convertTorque(value, 'N·m', 'lbf·in'), 0)} lbf·in`
        : `${said(convertTorque(value, 'N·m', 'lbf·ft'), 1)} lbf·ft`;
    case 'kPa':
      return `${said(convertPressure(value, 'kPa', 'psi'), 1)} psi`;
    case 'MPa':
      return `${said(convertPressure(value, 'MPa', 'psi'), 0)} psi`;
    default:
      return null;
  }
}
