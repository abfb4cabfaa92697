export { airFor, airLeft, RULER_MM } from './airLeft';
export { normals } from './normals';
export { ruled } from './ruled';
