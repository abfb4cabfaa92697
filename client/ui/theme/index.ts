export { colour, ROLES, type Light, type Role } from './roles';
export { chooseLight, installTheme, presentLight } from './light';
export { NUMERAL, SPACE, TOUCH, WIDE_FROM, WORD } from './measures';
