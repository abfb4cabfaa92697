export { ENDS_FLOW, movesClocks } from './moves';
export { CLOCK_MINUTES, CLOCK_WORDS, CLOCKS, type ClockKind, type ClockWords } from './words';
export { dayEndsMs } from './day';
