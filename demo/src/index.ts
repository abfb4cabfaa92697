export { DEMO, DEMO_SIGN_IN } from './demo';
