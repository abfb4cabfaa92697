export { costWords, orderRefusalWords, ORDER_WORDS, orderWords } from './words';
