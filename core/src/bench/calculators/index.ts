export { calculatorFault, CALCULATORS, type Calculator, type CalculatorField } from './calculators';
