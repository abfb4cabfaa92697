export {
  BATTERY_V,
  cycleMinutes,
  cycleTimes,
  isPumpStep,
  LEAST_BATTERY_V,
  nextInCycle,
  toolSteps,
  toolUnmet,
  type ToolCheck,
  type ToolEntry,
  type ToolNext,
  type ToolStep,
  type ToolUnmet,
} from './cycle';
export { ToolLost, type ScanTool, type ToolOutcome } from './scanTool';
export { standInTool, type ToolScript } from './standIn';
export { TOOL_UNMET_WORDS, toolStepWords } from './words';
