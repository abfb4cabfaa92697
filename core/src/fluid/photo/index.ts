export { cielab, type Lab, type Rgb } from './cielab';
export { ciede2000 } from './ciede2000';
export {
  readColour,
  type PhotoFault,
  type PhotoReading,
  type Picture,
  type Spot,
} from './readColour';
export { PHOTO_WORDS } from './words';
