export { figure, leafFigure, type Figure, type FigureInput, type Unit } from './figure';
export { ARITHMETIC, ENTRY, MODEL, PRACTICE, sourceWords, type Source } from './source';
export { figureText } from './figureText';
