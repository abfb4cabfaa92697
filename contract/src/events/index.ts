import type { PhoneHappening, VehicleHappening } from '@brook/core/job/events';
import type { z } from 'zod';
import { stageEvents } from './stageEvent';
import { jointTightened } from './jointTightened';
import { lookLater } from './lookLater';
import { prepared } from './prepared';
import { counting } from './counting';
import { stroke } from './stroke';
import { roundBroken } from './roundBroken';
import { strokesJudged } from './strokesJudged';
import { bubbles } from './bubbles';
import { colour } from './colour';
import { tried } from './tried';
import { bleederOpened } from './bleederOpened';
import { toppedUp } from './toppedUp';
import { levelSeen } from './levelSeen';
import { flowSet } from './flowSet';
import { jarSet } from './jarSet';
import { jarRead } from './jarRead';
import { shut } from './shut';
import { shutEarly } from './shutEarly';
import { halted } from './halted';
import { decided } from './decided';
import { mended } from './mended';
import { sizeFound } from './sizeFound';
import { partFitted } from './partFitted';
import { masterFitted } from './masterFitted';
import { takenOff } from './takenOff';
import { drawnOff } from './drawnOff';
import { note } from './note';
import { pedalJudged } from './pedalJudged';
import { takeUpJudged } from './takeUpJudged';
import { pedalRead } from './pedalRead';
import { sinkWatched } from './sinkWatched';
import { takeUpRead } from './takeUpRead';
import { clutchNeeds } from './clutchNeeds';
import { checked } from './checked';
import { openedAgain } from './openedAgain';
import { pressureSet } from './pressureSet';
import { syringeReadied } from './syringeReadied';
import { syringeEmpty } from './syringeEmpty';
import { clockStarted } from './clockStarted';
import { clockEnded } from './clockEnded';
import { cameOff } from './cameOff';
import { backOn } from './backOn';
import { mediaNote } from './mediaNote';
import { undone } from './undone';
import { marked } from './marked';
import { lookedAt } from './lookedAt';
import { strippedElsewhere } from './strippedElsewhere';
import { cycleElsewhere } from './cycleElsewhere';

export { base } from './shared';

/** What a phone may say of a job. */
export const phoneHappenings = [
  jointTightened,
  lookLater,
  prepared,
  counting,
  stroke,
  roundBroken,
  strokesJudged,
  bubbles,
  colour,
  tried,
  bleederOpened,
  toppedUp,
  levelSeen,
  flowSet,
  jarSet,
  jarRead,
  shut,
  shutEarly,
  halted,
  decided,
  mended,
  sizeFound,
  partFitted,
  masterFitted,
  takenOff,
  drawnOff,
  note,
  pedalJudged,
  takeUpJudged,
  pedalRead,
  sinkWatched,
  takeUpRead,
  clutchNeeds,
  checked,
  openedAgain,
  pressureSet,
  syringeReadied,
  syringeEmpty,
  clockStarted,
  clockEnded,
  cameOff,
  backOn,
  mediaNote,
  undone,
  ...stageEvents,
] as const;

/** What a later visit looks at again: the demo says it too. */
export const lookAgainHappenings = [jointTightened, lookLater] as const;

/** What may be said of a vehicle outside any job. */
export const vehicleHappenings = [
  marked,
  lookedAt,
  cycleElsewhere,
  strippedElsewhere,
  undone,
] as const;

type KindsOf<S extends readonly z.ZodType<{ readonly kind: string }>[]> = z.output<
  S[number]
>['kind'];
type Same<A, B> = A extends B ? (B extends A ? true : never) : never;
// What core knows and what is on the wire is the same; a kind that one of them lacks does not compile.
const COVERED: [
  Same<KindsOf<typeof phoneHappenings>, PhoneHappening['kind']>,
  Same<KindsOf<typeof vehicleHappenings>, VehicleHappening['kind']>,
] = [true, true];
void COVERED;
