import { fromChosen, isConverted, numberIn, unitIn, type UnitChoice } from '@brook/core/base/units';
import { useState } from 'react';
import { typedLengthMm } from './typedLength';
import { typedNumber } from './typedNumber';
import { useUnits } from './unitChoice';

/** An entry as it is shown and typed, in the units of who types. */
export interface TypedQuantity {
  readonly value: string;
  readonly onChange: (text: string) => void;
  readonly unit: string | undefined;
}

/**
 * What a person types in their own unit, while the form that holds it knows
 * one unit alone. What is no number goes on as it was typed, so that the form
 * says what would be right.
 *
 * @param asSaid the unit was chosen beside the field
 * @param unit as the form asks for it, with what stands behind it ("mm below MAX")
 */
export function useTypedQuantity(
  value: string,
  onChange: (text: string) => void,
  unit: string | undefined,
  asSaid = false,
): TypedQuantity {
  const units = useUnits();
  const [typed, setTyped] = useState({ text: '', stored: '' });
  const [base = '', ...behind] = (unit ?? '').split(' ');
  if (asSaid || !isConverted(base, units)) return { value, onChange, unit };
  return {
    value: typed.text !== '' && typed.stored === value ? typed.text : shownIn(value, base, units),
    onChange: (text) => {
      const stored = storedOf(text, base, units);
      setTyped({ text, stored });
      onChange(stored);
    },
    unit: [unitIn(base, units), ...behind].join(' '),
  };
}

/** What the form holds, as it is shown: what is no number stays as it was typed. */
function shownIn(value: string, unit: string, units: UnitChoice): string {
  const number = typedNumber(value);
  return Number.isNaN(number) ? value : numberIn(String(number), unit, units).replace('−', '-');
}

/** What was typed, as the form holds it. */
export function storedOf(text: string, unit: string, units: UnitChoice): string {
  const value =
    unit === 'mm' ? typedLengthMm(text, 'in') : fromChosen(typedNumber(text), unit, units);
  if (Number.isNaN(value)) return text;
  // From a cupful on nobody measures less than a millilitre, and a container has no parts of one.
  if (unit === 'mL' && Math.abs(value) >= 50) return String(Math.round(value));
  // Nine digits: no more than the way there and back loses.
  return String(Number(value.toPrecision(9)));
}
