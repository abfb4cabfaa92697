import { z } from 'zod';
import {
  compatibilityAnswer,
  compatibilityRequest,
  conditionAnswer,
  conditionRequest,
} from './fluid';
import { houseRules, houseRulesRecord } from './houseRules';
import { acceptPlan, driveResult, endJob, fluidEntry, job, moveJob, newJob, override } from './job';
import {
  appended,
  eventBatch,
  jobEvent,
  vehicleAnswers,
  vehicleEvent,
  vehicleEventBatch,
} from './jobEvent';
import { pageQuery, wholeQuery } from './common';
import {
  helperLink,
  helperNews,
  helpHere,
  helpJoined,
  helperScreen,
  helpSignal,
  joinHelp,
} from './help';
import { jobPage, jobQuery } from './jobSummary';
import { layout } from './layout';
import { overview } from './overview';
import { planChoices, planPreview, planPreviewRequest } from './plan';
import { mediaPage, vehicleNotesPage } from './media';
import { jobCard } from './card';
import { controlPage } from './control';
import { pacePage, paceProposals } from './pace';
import { problem } from './problem';
import { liveBeat, liveLog, putAway, workshopBeat } from './live';
import {
  changePassword,
  joinWorkshop,
  madeInvitation,
  newInvitation,
  peoplePage,
  person,
  personChange,
  session,
  signIn,
  unitChoice,
} from './session';
import {
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
} from './shelf';
import { makerEntry, newVehicle, vehicle, vehiclePage } from './vehicle';
import { vehicleHistory } from './vehicleHistory';

/** What goes over the wire, by the names of the document. */
export const SCHEMAS = {
  Problem: problem,
  SignIn: signIn,
  Session: session,
  UnitChoice: unitChoice,
  JoinWorkshop: joinWorkshop,
  NewInvitation: newInvitation,
  MadeInvitation: madeInvitation,
  ChangePassword: changePassword,
  Person: person,
  PeoplePage: peoplePage,
  PersonChange: personChange,
  Layout: layout,
  NewVehicle: newVehicle,
  Vehicle: vehicle,
  VehiclePage: vehiclePage,
  NewJob: newJob,
  Job: job,
  JobPage: jobPage,
  FluidEntry: fluidEntry,
  AcceptPlan: acceptPlan,
  DriveResult: driveResult,
  EndJob: endJob,
  Override: override,
  Overview: overview,
  MoveJob: moveJob,
  JobEvent: jobEvent,
  EventBatch: eventBatch,
  VehicleEvent: vehicleEvent,
  VehicleEventBatch: vehicleEventBatch,
  VehicleAnswers: vehicleAnswers,
  Appended: appended,
  LiveLog: liveLog,
  LiveBeat: liveBeat,
  WorkshopBeat: workshopBeat,
  PutAway: putAway,
  HelperLink: helperLink,
  HelperNews: helperNews,
  JoinHelp: joinHelp,
  HelpJoined: helpJoined,
  HelpHere: helpHere,
  HelpSignal: helpSignal,
  HelperScreen: helperScreen,
  MediaPage: mediaPage,
  VehicleNotesPage: vehicleNotesPage,
  CompatibilityRequest: compatibilityRequest,
  CompatibilityAnswer: compatibilityAnswer,
  ConditionRequest: conditionRequest,
  ConditionAnswer: conditionAnswer,
  PlanChoices: planChoices,
  PlanPreviewRequest: planPreviewRequest,
  PlanPreview: planPreview,
  HouseRules: houseRules,
  HouseRulesRecord: houseRulesRecord,
  ControlPage: controlPage,
  JobCard: jobCard,
  PacePage: pacePage,
  PaceProposals: paceProposals,
  MakerEntry: makerEntry,
  VehicleHistory: vehicleHistory,
  NewContainers: newContainers,
  Container: container,
  ContainerList: z.array(container),
  OpenContainer: openContainer,
  CountContainer: countContainer,
  DiscardContainer: discardContainer,
  Shelf: shelf,
  FluidUsed: fluidUsed,
  Waste: waste,
  WentInPage: wentInPage,
  HandOverPage: handOverPage,
  NewHandOver: newHandOver,
  Recall: recall,
} as const;
export type Name = keyof typeof SCHEMAS;

/** What can be asked behind an address. */
export const QUERIES = {
  page: pageQuery,
  whole: wholeQuery,
  jobs: jobQuery,
  recall: recallQuery,
} as const;

export interface Operation {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  readonly path: string;
  readonly does: string;
  /** What can be asked behind the address; a list goes by pages. */
  readonly asks?: keyof typeof QUERIES;
  readonly takes?: Name;
  readonly gives?: Name;
  readonly status?: number;
  /** Whether the call must name the version it saw by If-Match. */
  readonly matches?: boolean;
  /** Whether it answers with server-sent events until it is shut. */
  readonly streams?: boolean;
  /** Of what kinds the file is that it takes as its body, or answers with. */
  readonly takesFile?: readonly string[];
  readonly givesFile?: readonly string[];
}

/** Every call of the API; the routes are tested against this list. */
const LISTED = [
  { method: 'get', path: '/health', does: 'Whether the server is ready' },
  { method: 'get', path: '/openapi.json', does: 'This document' },
  {
    method: 'post',
    path: '/session',
    does: 'Sign in; the cookie is the session',
    takes: 'SignIn',
    gives: 'Session',
    status: 201,
  },
  { method: 'get', path: '/session', does: 'Who is signed in', gives: 'Session' },
  { method: 'delete', path: '/session', does: 'Sign out', status: 204 },
  {
    method: 'put',
    path: '/session/password',
    does: 'Change one’s own password; every other session of this person ends',
    takes: 'ChangePassword',
    gives: 'Session',
  },
  {
    method: 'put',
    path: '/session/units',
    does: 'Choose the units in which one reads and types',
    takes: 'UnitChoice',
    gives: 'Session',
  },
  {
    method: 'get',
    path: '/overview',
    does: 'What stands open in the workshop, each with the way to its record',
    gives: 'Overview',
  },
  {
    method: 'post',
    path: '/session/join',
    does: 'Come in by the code of an invitation, choose how to sign in, and be signed in',
    takes: 'JoinWorkshop',
    gives: 'Session',
    status: 201,
  },
  {
    method: 'post',
    path: '/people/invitations',
    does: 'Ask somebody in, for a lead; the code is told this once and holds for seven days',
    takes: 'NewInvitation',
    gives: 'MadeInvitation',
    status: 201,
  },
  {
    method: 'delete',
    path: '/people/invitations/{id}',
    does: 'Take an invitation back, for a lead',
    status: 204,
  },
  {
    method: 'get',
    path: '/people',
    does: 'The people of the workshop, those who left among them; for a lead',
    asks: 'whole',
    gives: 'PeoplePage',
  },
  {
    method: 'put',
    path: '/people/{id}',
    does: 'Say that somebody left or is back; for a lead. Their sessions end at once',
    takes: 'PersonChange',
    gives: 'Person',
  },
  {
    method: 'get',
    path: '/vehicles',
    does: 'A page of vehicles, by name',
    asks: 'whole',
    gives: 'VehiclePage',
  },
  {
    method: 'post',
    path: '/vehicles',
    does: 'Add a vehicle from a template or with its layout',
    takes: 'NewVehicle',
    gives: 'Vehicle',
    status: 201,
  },
  {
    method: 'get',
    path: '/vehicles/{id}',
    does: 'One vehicle with its layout and the first page of its jobs',
    gives: 'Vehicle',
  },
  {
    method: 'get',
    path: '/vehicles/{id}/history',
    does: 'Samples, changes and batches of a vehicle, oldest first, so many jobs a page',
    asks: 'whole',
    gives: 'VehicleHistory',
  },
  {
    method: 'get',
    path: '/vehicles/{id}/paces',
    does: 'What its runs took against their plans, opening by opening, newest first',
    asks: 'page',
    gives: 'PacePage',
  },
  {
    method: 'get',
    path: '/vehicles/{id}/notes',
    does: 'Photos and voice notes of all its jobs, each at its place, newest first',
    asks: 'whole',
    gives: 'VehicleNotesPage',
  },
  {
    method: 'get',
    path: '/vehicles/{id}/controls',
    does: 'How its controls were judged and measured at the end of its jobs, newest first',
    asks: 'whole',
    gives: 'ControlPage',
  },
  {
    method: 'get',
    path: '/vehicles/{id}/tag-wheel.pdf',
    does: 'A tag for the wheel of a vehicle that must not be driven; refused where nothing holds it',
    givesFile: ['application/pdf'],
  },
  {
    method: 'get',
    path: '/vehicles/{id}/tag-reservoir.pdf',
    does: 'A tag for the reservoir: fluid, dye, batch, when it was filled and is due',
    givesFile: ['application/pdf'],
  },
  {
    method: 'put',
    path: '/vehicles/{id}/layout',
    does: 'Save the layout of a vehicle as it was measured',
    takes: 'Layout',
    gives: 'Vehicle',
    matches: true,
  },
  {
    method: 'put',
    path: '/vehicles/{id}/maker-entry',
    does: 'Record what the maker asks for',
    takes: 'MakerEntry',
    gives: 'Vehicle',
    matches: true,
  },
  {
    method: 'post',
    path: '/vehicles/{id}/events',
    does: 'Say something of a vehicle outside any job; sending twice changes nothing',
    takes: 'VehicleEventBatch',
    gives: 'VehicleAnswers',
  },
  {
    method: 'get',
    path: '/house-rules',
    does: 'What this workshop decided for itself',
    gives: 'HouseRulesRecord',
  },
  {
    method: 'get',
    path: '/house-rules/paces',
    does: 'Times of the workshop’s own, as its runs told them',
    gives: 'PaceProposals',
  },
  {
    method: 'put',
    path: '/house-rules',
    does: 'Change the house rules; for a lead',
    takes: 'HouseRules',
    gives: 'HouseRulesRecord',
    matches: true,
  },
  {
    method: 'get',
    path: '/shelf',
    does: 'Containers, what may be used today, what runs low',
    asks: 'whole',
    gives: 'Shelf',
  },
  {
    method: 'post',
    path: '/shelf',
    does: 'Put containers on the shelf',
    takes: 'NewContainers',
    gives: 'ContainerList',
    status: 201,
  },
  {
    method: 'post',
    path: '/shelf/{id}/open',
    does: 'Say that a container is open',
    takes: 'OpenContainer',
    gives: 'Container',
    matches: true,
  },
  {
    method: 'post',
    path: '/shelf/{id}/count',
    does: 'Say what is left in a container from which more came than it was down as holding',
    takes: 'CountContainer',
    gives: 'Container',
    matches: true,
  },
  {
    method: 'post',
    path: '/shelf/{id}/discard',
    does: 'Discard a container',
    takes: 'DiscardContainer',
    gives: 'Container',
    matches: true,
  },
  {
    method: 'get',
    path: '/shelf/recall',
    does: 'Which vehicles got a batch, newest first',
    asks: 'recall',
    gives: 'Recall',
  },
  { method: 'get', path: '/waste', does: 'The waste drum and its hand-overs', gives: 'Waste' },
  {
    method: 'get',
    path: '/waste/entries',
    does: 'What went into the drum since it was handed over last, newest first',
    asks: 'page',
    gives: 'WentInPage',
  },
  {
    method: 'get',
    path: '/waste/hand-overs',
    does: 'What was handed over, newest first',
    asks: 'page',
    gives: 'HandOverPage',
  },
  {
    method: 'post',
    path: '/waste/hand-overs',
    does: 'Hand the drum over',
    takes: 'NewHandOver',
    gives: 'Waste',
    status: 201,
  },
  {
    method: 'post',
    path: '/fluid/compatibility',
    does: 'Whether fluids may go in, and why',
    takes: 'CompatibilityRequest',
    gives: 'CompatibilityAnswer',
  },
  {
    method: 'post',
    path: '/fluid/condition',
    does: 'What to do about a fluid, from samples of it',
    takes: 'ConditionRequest',
    gives: 'ConditionAnswer',
  },
  {
    method: 'post',
    path: '/plans/preview',
    does: 'What if: a whole plan with every order priced',
    takes: 'PlanPreviewRequest',
    gives: 'PlanPreview',
  },
  { method: 'get', path: '/layout.schema.json', does: 'The JSON Schema of a layout file' },
  {
    method: 'get',
    path: '/jobs',
    does: 'A page of jobs: open first, newest first',
    asks: 'jobs',
    gives: 'JobPage',
  },
  {
    method: 'post',
    path: '/jobs',
    does: 'Take a vehicle in',
    takes: 'NewJob',
    gives: 'Job',
    status: 201,
  },
  { method: 'get', path: '/jobs/{id}', does: 'A job with everything on it', gives: 'Job' },
  {
    method: 'put',
    path: '/jobs/{id}/vehicle',
    does: 'Move a job that was begun on the wrong vehicle, before anything was done in it',
    takes: 'MoveJob',
    gives: 'Job',
    matches: true,
  },
  {
    method: 'put',
    path: '/jobs/{id}/fluid',
    does: 'Read the fluid; makes the plan, stops the job, or says what it waits for',
    takes: 'FluidEntry',
    gives: 'Job',
    matches: true,
  },
  {
    method: 'put',
    path: '/jobs/{id}/plan/choices',
    does: 'Say what was done and choose for the plan; it is made anew',
    takes: 'PlanChoices',
    gives: 'Job',
    matches: true,
  },
  {
    method: 'post',
    path: '/jobs/{id}/plan/accept',
    does: 'Accept the plan and its containers',
    takes: 'AcceptPlan',
    gives: 'Job',
    matches: true,
  },
  {
    method: 'post',
    path: '/jobs/{id}/events',
    does: 'Add to the log of the run; sending twice changes nothing',
    takes: 'EventBatch',
    gives: 'Appended',
  },
  {
    method: 'get',
    path: '/jobs/{id}/live',
    does: 'The log as it grows: server-sent events "log" (LiveLog), "beat" (LiveBeat) and "helper" (HelperNews); ?since, ?device',
    gives: 'LiveLog',
    streams: true,
  },
  {
    method: 'get',
    path: '/news',
    does: 'Says when what may be driven, or what a vehicle owes, changed: server-sent events "changed" and "beat" (both WorkshopBeat)',
    gives: 'WorkshopBeat',
    streams: true,
  },
  {
    method: 'post',
    path: '/jobs/{id}/away',
    does: 'A phone is put away: others are told how much it holds',
    takes: 'PutAway',
    status: 204,
  },
  {
    method: 'post',
    path: '/jobs/{id}/helper',
    does: 'Make a code by which a helper’s phone joins the run; one from before ends',
    gives: 'HelperLink',
    status: 201,
  },
  {
    method: 'delete',
    path: '/jobs/{id}/helper',
    does: 'End the link of the helper’s phone',
    status: 204,
  },
  {
    method: 'post',
    path: '/jobs/{id}/helper/here',
    does: 'The technician’s phone is in step with the helper’s',
    status: 204,
  },
  {
    method: 'post',
    path: '/help',
    does: 'Join a run as a helper, by its code and without an account',
    takes: 'JoinHelp',
    gives: 'HelpJoined',
    status: 201,
  },
  {
    method: 'get',
    path: '/help/live',
    does: 'The present call, as it changes: server-sent events "said" (HelperScreen); ?token',
    gives: 'HelperScreen',
    streams: true,
  },
  {
    method: 'post',
    path: '/help/here',
    does: 'The helper’s phone is in step; answers with the present call',
    takes: 'HelpHere',
    gives: 'HelperScreen',
  },
  {
    method: 'post',
    path: '/help/signal',
    does: 'One tap on the helper’s phone; sending it twice changes nothing',
    takes: 'HelpSignal',
    gives: 'HelperScreen',
  },
  {
    method: 'get',
    path: '/jobs/{id}/card',
    does: 'The card of a job: before and after, plan against done, people, what is left',
    gives: 'JobCard',
  },
  {
    method: 'get',
    path: '/jobs/{id}/card.pdf',
    does: 'The card of a job on one page A4',
    givesFile: ['application/pdf'],
  },
  {
    method: 'get',
    path: '/jobs/{id}/media',
    does: 'Which photos and voice notes of a job are with the workshop',
    asks: 'whole',
    gives: 'MediaPage',
  },
  {
    method: 'get',
    path: '/media/{id}',
    does: 'One photo or voice note, by the id of the event that tells of it',
    givesFile: ['image/jpeg', 'audio/wav'],
  },
  {
    method: 'put',
    path: '/media/{id}',
    does: 'Send the photo or voice note of an event, 5 MB at most; it is written anew without place data',
    takesFile: ['image/jpeg', 'image/png', 'image/webp', 'audio/wav'],
    status: 204,
  },
  {
    method: 'put',
    path: '/jobs/{id}/fluid-used',
    does: 'Record what was poured out of which container, bled, removed and spilled',
    takes: 'FluidUsed',
    gives: 'Job',
    matches: true,
  },
  {
    method: 'post',
    path: '/jobs/{id}/test-drive',
    does: 'Set "test drive only"',
    gives: 'Job',
    matches: true,
  },
  {
    method: 'post',
    path: '/jobs/{id}/test-drive/result',
    does: 'Record the drive’s result',
    takes: 'DriveResult',
    gives: 'Job',
    matches: true,
  },
  {
    method: 'post',
    path: '/jobs/{id}/release',
    does: 'Release the vehicle',
    gives: 'Job',
    matches: true,
  },
  {
    method: 'post',
    path: '/jobs/{id}/overrides',
    does: 'Let paper go that the gate asks for, with a reason that stays; for a lead, by the gate’s table',
    takes: 'Override',
    gives: 'Job',
    matches: true,
  },
  {
    method: 'post',
    path: '/jobs/{id}/end',
    does: 'End the job unreleased',
    takes: 'EndJob',
    gives: 'Job',
    matches: true,
  },
] as const satisfies readonly Operation[];
export const OPERATIONS: readonly Operation[] = LISTED;

/** A call as the document lists it. */
type Listed = (typeof LISTED)[number];
export type Method = Listed['method'];
/** The paths that can be called in a way. */
export type PathOf<M extends Method> = Extract<Listed, { readonly method: M }>['path'];
type Call<M extends Method, P> = Extract<Listed, { readonly method: M; readonly path: P }>;
/** What a call answers with, as the document says it. */
export type Gives<M extends Method, P> =
  Call<M, P> extends { readonly gives: infer N extends Name }
    ? z.output<(typeof SCHEMAS)[N]>
    : void;
/** What a call takes, as the document says it. */
export type Takes<M extends Method, P> =
  Call<M, P> extends { readonly takes: infer N extends Name }
    ? ReadOnly<z.input<(typeof SCHEMAS)[N]>>
    : undefined;
/** What somebody says is only read: a list that nobody may change will do. */
type ReadOnly<T> = T extends readonly (infer E)[]
  ? readonly ReadOnly<E>[]
  : T extends object
    ? { readonly [K in keyof T]: ReadOnly<T[K]> }
    : T;
