export { fieldFault, problem, type FieldFault, type Problem } from './problem';
export { role, ROLES, session, signIn, type Role, type Session, type SignIn } from './session';
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
export { layout } from './layout';
export { driveState, newVehicle, vehicle, vehicleSummary, type NewVehicle, type Vehicle, type VehicleDriveState, type VehicleSummary } from './vehicle';
export { jobPage, jobQuery, jobSummary, type JobPage, type JobSummary } from './jobSummary';
export { driveResult, endJob, fluidEntry, job, newJob, proofEntry, type FluidEntry, type Job, type NewJob, type ProofEntry } from './job';
export { runEvent, runEventBatch } from './runEvent';
export { seed, type Seed } from './seed';
