export { ANGLE_DEG, crowFootSettingNm, EXTENSION_MM, WRENCH_MM } from './crowFoot';
