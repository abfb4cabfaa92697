export { fieldFault, problem, type FieldFault, type Problem } from './problem';
export {
  changePassword,
  INVITATION_LENGTH,
  invitation,
  joinWorkshop,
  madeInvitation,
  newInvitation,
  peoplePage,
  person,
  personChange,
  role,
  ROLES,
  session,
  signIn,
  unitChoice,
  type ChangePassword,
  type Invitation,
  type JoinWorkshop,
  type MadeInvitation,
  type NewInvitation,
  type PeoplePage,
  type Person,
  type Role,
  type Session,
  type SignIn,
} from './session';
export {
  liveBeat,
  workshopBeat,
  liveLog,
  livePhone,
  liveQuery,
  putAway,
  type LiveBeat,
  type WorkshopBeat,
  type LiveLog,
  type LivePhone,
} from './live';
export {
  CODE_LENGTH,
  CODE_LETTERS,
  helperLink,
  helperNews,
  helpHere,
  helpJoined,
  helpQuery,
  helperScreen,
  helpSignal,
  joinHelp,
  type HelperLink,
  type HelperNews,
  type HelpJoined,
  type HelperScreen,
  type HelpSignal,
  type JoinHelp,
} from './help';
export {
  MEDIA_LIMIT_BYTES,
  storedMedia,
  mediaPage,
  vehicleNotesPage,
  type VehicleNote,
  type VehicleNotesPage,
  PHOTO_SIDE_PX,
  VOICE,
  type StoredMedia,
  type MediaPage,
} from './media';
export {
  compatibilityAnswer,
  compatibilityRequest,
  conditionAnswer,
  conditionRequest,
  type CompatibilityEntry,
  type CompatibilityReply,
  type ConditionEntry,
  type ConditionReply,
} from './fluid';
export { layout, layoutJsonSchema } from './layout';
export { controlPage, type ControlPage } from './control';
export { pacePage, paceProposals, type PacePage, type PaceProposals } from './pace';
export {
  planChoices,
  planPreview,
  planPreviewRequest,
  workDone,
  type PlanChoices,
  type PlanPreviewRequest,
} from './plan';
export {
  driveState,
  makerEntry,
  newVehicle,
  vehicle,
  vehiclePage,
  vehicleSummary,
  type MakerEntry,
  type NewVehicle,
  type Vehicle,
  type VehicleDriveState,
  type VehiclePage,
  type VehicleSummary,
} from './vehicle';
export { vehicleHistory, type VehicleHistory } from './vehicleHistory';
export { houseRules, houseRulesRecord, type HouseRulesRecord } from './houseRules';
export {
  container,
  countContainer,
  discardContainer,
  fluidUsed,
  handOverPage,
  newContainers,
  newHandOver,
  openContainer,
  recall,
  recallQuery,
  shelf,
  waste,
  wentInPage,
  type Container,
  type FluidUsed,
  type FluidUsedRecord,
  type HandOverPage,
  type NewContainers,
  type Recall,
  type Shelf,
  type Waste,
  type WentInPage,
} from './shelf';
export { pageQuery, wholeQuery } from './common';
export { jobPage, jobQuery, jobSummary, type JobPage, type JobSummary } from './jobSummary';
export {
  acceptPlan,
  driveResult,
  endJob,
  override,
  moveJob,
  fluidEntry,
  job,
  newJob,
  type FluidEntry,
  type Job,
  type NewJob,
  type Override,
} from './job';
export {
  appended,
  eventAnswer,
  eventBatch,
  jobEvent,
  SAID_KINDS,
  keptEvent,
  vehicleEvent,
  vehicleAnswers,
  vehicleEventBatch,
  type Appended,
  type EventAnswer,
  type VehicleAnswers,
} from './jobEvent';
export { seed, type Seed } from './seed';
export { openItem } from './openItem';
export type { JobPick } from './computed';
export { overview, type Overview } from './overview';
