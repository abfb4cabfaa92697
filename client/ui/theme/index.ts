export { colour, ROLES, type Light, type Role } from './roles';
export { chooseLight, installTheme, presentLight } from './light';
export {
  CHART_LABEL,
  MIN_CONTENT,
  NARROW_UNDER,
  NUMERAL,
  SHORT_UNDER,
  SPACE,
  TOUCH,
  WIDE_FROM,
  WORD,
} from './measures';
