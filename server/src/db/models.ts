import type { MakerEntry, PlanChoices, Role } from '@brook/contract';
import type { DriveState, JobStage } from '@brook/core/job/stage';
import type { ClosedPhase } from '@brook/core/bleed/call';
import type { Control, Layout } from '@brook/core/vehicle/circuit';
import type { Grade, IsoClass } from '@brook/core/fluid/verdict';
import { type ControlOnRecord, type RunningClock } from '@brook/core/job/log';
import {
  type AcceptedPick,
  type FluidRead,
  type JobEvent,
  type Medium,
  type VehicleEvent,
} from '@brook/core/job/events';
import type { Method } from '@brook/core/hydraulics/flow';
import type { GateAnswer } from '@brook/core/job/gate';
import type { Inside } from '@brook/core/fluid/inside';
import type { OpenItem, OpenItemWeight } from '@brook/core/owed/openItems';
import type { PlanResult } from '@brook/core/bleed/plan';
import type { HouseRules } from '@brook/core/bleed/rules';
import type { UnitChoice } from '@brook/core/base/units';
import type { Pace } from '@brook/core/job/run';
import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

export class Workshop extends Model<InferAttributes<Workshop>, InferCreationAttributes<Workshop>> {
  declare id: string;
  declare name: string;
  declare timeZone: string;
  declare nextJobNumber: CreationOptional<number>;
  /** Null until a lead has chosen. */
  declare houseRules: CreationOptional<HouseRules | null>;
  declare houseRulesVersion: CreationOptional<number>;
}

export class User extends Model<InferAttributes<User>, InferCreationAttributes<User>> {
  declare id: string;
  declare workshopId: string;
  declare login: string;
  declare name: string;
  declare role: Role;
  declare passwordHash: string;
  /** When somebody left the workshop, and who said so. */
  declare leftAt: CreationOptional<Date | null>;
  declare leftBy: CreationOptional<string | null>;
  /** Null until this person chose. */
  declare units: CreationOptional<UnitChoice | null>;
}

/** Somebody whom a lead asked in, until they came, the time was over or it was taken back. */
export class Invitation extends Model<
  InferAttributes<Invitation>,
  InferCreationAttributes<Invitation>
> {
  declare id: string;
  declare workshopId: string;
  declare name: string;
  declare role: Role;
  declare codeHash: string;
  declare madeBy: string;
  declare madeAt: Date;
  declare until: Date;
  declare endedAt: CreationOptional<Date | null>;
}

/** A line that stands open to a phone. */
export class LiveLineRow extends Model<
  InferAttributes<LiveLineRow>,
  InferCreationAttributes<LiveLineRow>
> {
  declare id: string;
  declare workshopId: string;
  declare person: string;
  declare seenAt: Date;
}

/** A try to sign in, of one account from one address. */
export class SignInTry extends Model<
  InferAttributes<SignInTry>,
  InferCreationAttributes<SignInTry>
> {
  declare id: string;
  declare pair: string;
  declare at: Date;
}

export class Vehicle extends Model<InferAttributes<Vehicle>, InferCreationAttributes<Vehicle>> {
  declare id: string;
  declare workshopId: string;
  declare name: string;
  declare tag: string;
  declare layout: Layout;
  declare driveState: CreationOptional<DriveState>;
  declare driveSince: CreationOptional<Date | null>;
  declare driveReason: CreationOptional<string | null>;
  declare makerEntry: CreationOptional<MakerEntry | null>;
  declare version: CreationOptional<number>;
}

/** A person and a moment, as it stands on the record. */
export interface Named {
  readonly by: string;
  readonly at: string;
}

export class Job extends Model<InferAttributes<Job>, InferCreationAttributes<Job>> {
  declare id: string;
  declare workshopId: string;
  declare vehicleId: string;
  declare number: number;
  declare stage: JobStage;
  declare closed: CreationOptional<boolean>;
  declare openedAt: Date;
  declare openedBy: string;
  declare closedAt: CreationOptional<Date | null>;
  /** The columns from here on are written from the fold of the log, so that lists can ask for them. */
  declare fluid: CreationOptional<FluidRead | null>;
  /** What was said and chosen for the plan; null until somebody did. */
  declare planChoices: CreationOptional<PlanChoices | null>;
  declare planResult: CreationOptional<PlanResult | null>;
  /** The containers of the accepted plan. */
  declare pick: CreationOptional<({ readonly kind: 'enough' } & AcceptedPick) | null>;
  declare planAccepted: CreationOptional<Named | null>;
  declare released: CreationOptional<Named | null>;
  declare ended: CreationOptional<(Named & { reason: string }) | null>;
  /** Those that run. */
  declare clocks: CreationOptional<readonly RunningClock[]>;
  declare version: CreationOptional<number>;
}

/** One event of a log. The position is given by the server; the order of the log goes by it. */
class LogRow<E> extends Model {
  declare position: number;
  declare id: string;
  declare workshopId: string;
  declare deviceId: string;
  declare deviceSeq: number;
  declare at: Date;
  declare receivedAt: Date;
  declare person: string;
  declare event: E;
}

/** One event of a job's log. */
export class JobEventRow extends LogRow<JobEvent> {
  declare jobId: string;
}

/** What arrived after a job was closed, kept beside its record. */
export class JobAdditionRow extends LogRow<JobEvent> {
  declare jobId: string;
}

/** One event of a vehicle's own log: what is said of it outside any job. */
export class VehicleEventRow extends LogRow<VehicleEvent> {
  declare vehicleId: string;
}

/** What is known of a phone that works on a job: up to where everything is settled. */
export class JobDevice extends Model<
  InferAttributes<JobDevice>,
  InferCreationAttributes<JobDevice>
> {
  declare jobId: string;
  declare deviceId: string;
  declare workshopId: string;
  declare person: string;
  declare lowestWaiting: number;
  declare highestSeq: number;
  /** How many events it said it still holds when it was put away; null while it is in use. */
  declare holds: CreationOptional<number | null>;
  declare seenAt: Date;
}

/** The link of a helper's phone to one run. Its id is the device under which the log knows it. */
export class HelperLinkRow extends Model<
  InferAttributes<HelperLinkRow>,
  InferCreationAttributes<HelperLinkRow>
> {
  declare id: string;
  declare workshopId: string;
  declare jobId: string;
  declare codeHash: string;
  /** Of what the phone that joined got; null until one did. */
  declare tokenHash: CreationOptional<string | null>;
  declare name: CreationOptional<string | null>;
  declare madeAt: Date;
  declare endedAt: CreationOptional<Date | null>;
  /** Where the call stands, and at which opening. */
  declare phase: CreationOptional<ClosedPhase>;
  declare openingId: CreationOptional<string | null>;
  /** When the two phones were heard of last, by their own word. */
  declare helperSeenAt: CreationOptional<Date | null>;
  declare wrenchSeenAt: Date;
}

/** A photo or voice note, under the id of the event that tells of it. */
export class MediaRow extends Model<InferAttributes<MediaRow>, InferCreationAttributes<MediaRow>> {
  declare workshopId: string;
  declare id: string;
  declare jobId: string;
  declare medium: Medium;
  declare contentType: string;
  declare content: Buffer;
  /** Of what was sent, before it was written anew. */
  declare sentSha256: string;
  declare person: string;
  declare receivedAt: Date;
}

/** What a job left inside its vehicle when it was closed: written once, from the fold of its log. */
export class JobInsideRow extends Model<
  InferAttributes<JobInsideRow>,
  InferCreationAttributes<JobInsideRow>
> {
  declare jobId: string;
  declare vehicleId: string;
  declare number: number;
  declare inside: Inside;
}

/** How one opening of a closed run went, against its plan. */
export class RunPaceRow extends Model<
  InferAttributes<RunPaceRow>,
  InferCreationAttributes<RunPaceRow>
> {
  declare jobId: string;
  /** Counts up within the job. */
  declare n: number;
  declare workshopId: string;
  declare vehicleId: string;
  declare at: Date;
  declare method: Method;
  declare secondsPerStroke: number | null;
  declare minutesBetween: number | null;
  declare pace: Pace;
}

/** How one control was when its job was closed. */
export class ControlResultRow extends Model<
  InferAttributes<ControlResultRow>,
  InferCreationAttributes<ControlResultRow>
> {
  declare jobId: string;
  declare masterId: string;
  declare vehicleId: string;
  declare at: Date;
  declare released: boolean;
  declare found: ControlOnRecord;
}

/** Air behind one control by the measures of a closed job, against the first on record. */
export class ControlAirRow extends Model<
  InferAttributes<ControlAirRow>,
  InferCreationAttributes<ControlAirRow>
> {
  declare jobId: string;
  declare masterId: string;
  declare workshopId: string;
  declare vehicleId: string;
  declare control: Control;
  declare at: Date;
  /** The one that the others are held against. */
  declare first: boolean;
  declare ml: number;
  declare sdMl: number;
}

/** One line of what a vehicle owes: opened, or settled. They only grow. */
export class OpenItemEntry extends Model<
  InferAttributes<OpenItemEntry>,
  InferCreationAttributes<OpenItemEntry>
> {
  declare vehicleId: string;
  declare position: number;
  declare workshopId: string;
  declare openItemId: string;
  declare entry: 'opened' | 'settled';
  declare weight: OpenItemWeight;
  declare openItem: OpenItem;
  /** In words, where it is settled. */
  declare settledBy: CreationOptional<string | null>;
  declare at: Date;
  declare person: string;
}

/** What the gate said of a job, for its log up to a position. */
export class GateAnswerRow extends Model<
  InferAttributes<GateAnswerRow>,
  InferCreationAttributes<GateAnswerRow>
> {
  declare jobId: string;
  declare position: number;
  declare workshopId: string;
  /** The last place of its vehicle's order when it was asked. */
  declare vehiclePosition: number;
  declare answer: GateAnswer;
  declare at: Date;
  declare person: string;
}

export class Container extends Model<
  InferAttributes<Container>,
  InferCreationAttributes<Container>
> {
  declare id: string;
  declare workshopId: string;
  declare grade: Grade;
  declare isoClass: IsoClass | null;
  declare batch: string;
  declare sizeMl: number;
  declare state: CreationOptional<'sealed' | 'opened' | 'discarded'>;
  declare receivedAt: Date;
  declare travelledAt: CreationOptional<Date | null>;
  /** Null when sealed, or when nobody knows. */
  declare openedAt: CreationOptional<Date | null>;
  declare keptCapped: CreationOptional<boolean>;
  declare discardedAt: CreationOptional<Date | null>;
  /** Thrown away with the container; what a job discarded stands with its draw. */
  declare discardedMl: CreationOptional<number>;
  declare version: CreationOptional<number>;
}

export class ContainerDraw extends Model<
  InferAttributes<ContainerDraw>,
  InferCreationAttributes<ContainerDraw>
> {
  declare jobId: string;
  declare containerId: string;
  declare workshopId: string;
  declare pouredMl: number;
  declare discardedMl: number;
  /** What it was found to have held beyond what the shelf knew of, mL. */
  declare foundMl: CreationOptional<number>;
  declare leftMl: number;
}

/** What left a vehicle through a job, or a container through being discarded. */
export class FluidMovedRow extends Model<
  InferAttributes<FluidMovedRow>,
  InferCreationAttributes<FluidMovedRow>
> {
  declare id: string;
  declare workshopId: string;
  declare jobId: CreationOptional<string | null>;
  declare containerId: CreationOptional<string | null>;
  declare at: Date;
  declare by: string;
  declare bledMl: CreationOptional<number>;
  declare bledBy: CreationOptional<'strokes' | 'measured'>;
  declare removedMl: CreationOptional<number>;
  declare spilledMl: CreationOptional<number>;
  declare discardedMl: CreationOptional<number>;
  declare caughtMl: CreationOptional<number>;
  declare handOverId: CreationOptional<string | null>;
}

export class HandOver extends Model<InferAttributes<HandOver>, InferCreationAttributes<HandOver>> {
  declare id: string;
  declare workshopId: string;
  declare at: Date;
  declare by: string;
  declare toWhom: string;
  declare document: string;
  declare wasteMl: number;
}

/** Bind the models to a database. */
export function defineModels(sequelize: Sequelize): void {
  // A new object each time: Sequelize writes the column's name into what it is given.
  const uuid = () => ({ type: DataTypes.UUID, allowNull: false });
  const text = () => ({ type: DataTypes.TEXT, allowNull: false });
  const whole = () => ({ type: DataTypes.INTEGER, allowNull: false });
  const time = () => ({ type: DataTypes.DATE, allowNull: false });
  const json = () => ({ type: DataTypes.JSONB });
  const key = () => ({ ...uuid(), primaryKey: true });
  const ml = () => ({ type: DataTypes.DOUBLE, allowNull: false, defaultValue: 0 });
  Workshop.init(
    {
      id: key(),
      name: text(),
      timeZone: text(),
      nextJobNumber: { ...whole(), defaultValue: 1 },
      houseRules: json(),
      houseRulesVersion: { ...whole(), defaultValue: 1 },
    },
    { sequelize, tableName: 'workshops' },
  );
  User.init(
    {
      id: key(),
      workshopId: uuid(),
      login: text(),
      name: text(),
      role: text(),
      passwordHash: text(),
      leftAt: DataTypes.DATE,
      leftBy: DataTypes.TEXT,
      units: DataTypes.JSONB,
    },
    { sequelize, tableName: 'users' },
  );
  Invitation.init(
    {
      id: key(),
      workshopId: uuid(),
      name: text(),
      role: text(),
      codeHash: text(),
      madeBy: text(),
      madeAt: time(),
      until: time(),
      endedAt: DataTypes.DATE,
    },
    { sequelize, tableName: 'invitations' },
  );
  LiveLineRow.init(
    { id: key(), workshopId: uuid(), person: uuid(), seenAt: time() },
    { sequelize, tableName: 'live_lines' },
  );
  SignInTry.init(
    { id: key(), pair: text(), at: time() },
    { sequelize, tableName: 'sign_in_tries' },
  );
  Vehicle.init(
    {
      id: key(),
      workshopId: uuid(),
      name: text(),
      tag: text(),
      layout: json(),
      driveState: DataTypes.TEXT,
      driveSince: DataTypes.DATE,
      driveReason: DataTypes.TEXT,
      makerEntry: json(),
      version: { ...whole(), defaultValue: 1 },
    },
    { sequelize, tableName: 'vehicles' },
  );
  Job.init(
    {
      id: key(),
      workshopId: uuid(),
      vehicleId: uuid(),
      number: whole(),
      stage: text(),
      closed: { type: DataTypes.BOOLEAN, defaultValue: false },
      openedAt: time(),
      openedBy: text(),
      closedAt: DataTypes.DATE,
      fluid: json(),
      planChoices: json(),
      planResult: json(),
      planAccepted: json(),
      pick: json(),
      released: json(),
      ended: json(),
      clocks: { ...json(), allowNull: false, defaultValue: [] },
      version: { ...whole(), defaultValue: 1 },
    },
    { sequelize, tableName: 'jobs' },
  );
  // Events of a closed job's log are never written again; nor is any other.
  const log = () => ({
    position: { ...whole(), primaryKey: true },
    id: uuid(),
    workshopId: uuid(),
    deviceId: uuid(),
    deviceSeq: whole(),
    at: time(),
    receivedAt: time(),
    person: text(),
  });
  JobEventRow.init(
    { jobId: key(), ...log(), event: json() },
    { sequelize, tableName: 'job_events' },
  );
  JobAdditionRow.init(
    { jobId: key(), ...log(), event: json() },
    { sequelize, tableName: 'job_additions' },
  );
  VehicleEventRow.init(
    { vehicleId: key(), ...log(), event: json() },
    { sequelize, tableName: 'vehicle_events' },
  );
  JobDevice.init(
    {
      jobId: key(),
      deviceId: { ...uuid(), primaryKey: true },
      workshopId: uuid(),
      person: text(),
      lowestWaiting: whole(),
      highestSeq: whole(),
      holds: DataTypes.INTEGER,
      seenAt: time(),
    },
    { sequelize, tableName: 'job_devices' },
  );
  HelperLinkRow.init(
    {
      id: key(),
      workshopId: uuid(),
      jobId: uuid(),
      codeHash: text(),
      tokenHash: DataTypes.TEXT,
      name: DataTypes.TEXT,
      madeAt: time(),
      endedAt: DataTypes.DATE,
      phase: { ...text(), defaultValue: 'ready' },
      openingId: DataTypes.TEXT,
      helperSeenAt: DataTypes.DATE,
      wrenchSeenAt: time(),
    },
    { sequelize, tableName: 'helper_links' },
  );
  MediaRow.init(
    {
      workshopId: key(),
      id: key(),
      jobId: uuid(),
      medium: text(),
      contentType: text(),
      content: { type: DataTypes.BLOB, allowNull: false },
      sentSha256: text(),
      person: text(),
      receivedAt: time(),
    },
    { sequelize, tableName: 'media' },
  );
  JobInsideRow.init(
    { jobId: key(), vehicleId: uuid(), number: whole(), inside: { ...json(), allowNull: false } },
    { sequelize, tableName: 'job_inside' },
  );
  RunPaceRow.init(
    {
      jobId: key(),
      n: { ...whole(), primaryKey: true },
      workshopId: uuid(),
      vehicleId: uuid(),
      at: time(),
      method: text(),
      secondsPerStroke: DataTypes.DOUBLE,
      minutesBetween: DataTypes.DOUBLE,
      pace: { ...json(), allowNull: false },
    },
    { sequelize, tableName: 'run_paces' },
  );
  ControlResultRow.init(
    {
      jobId: key(),
      masterId: { ...text(), primaryKey: true },
      vehicleId: uuid(),
      at: time(),
      released: { type: DataTypes.BOOLEAN, allowNull: false },
      found: { ...json(), allowNull: false },
    },
    { sequelize, tableName: 'control_results' },
  );
  ControlAirRow.init(
    {
      jobId: key(),
      masterId: { ...text(), primaryKey: true },
      workshopId: uuid(),
      vehicleId: uuid(),
      control: text(),
      at: time(),
      first: { type: DataTypes.BOOLEAN, allowNull: false },
      ml: { type: DataTypes.DOUBLE, allowNull: false },
      sdMl: { type: DataTypes.DOUBLE, allowNull: false },
    },
    { sequelize, tableName: 'control_air' },
  );
  OpenItemEntry.init(
    {
      vehicleId: key(),
      position: { ...whole(), primaryKey: true },
      workshopId: uuid(),
      openItemId: text(),
      entry: text(),
      weight: text(),
      openItem: { ...json(), allowNull: false },
      settledBy: DataTypes.TEXT,
      at: time(),
      person: text(),
    },
    { sequelize, tableName: 'open_item_entries' },
  );
  GateAnswerRow.init(
    {
      jobId: key(),
      position: { ...whole(), primaryKey: true },
      workshopId: uuid(),
      vehiclePosition: whole(),
      answer: { ...json(), allowNull: false },
      at: time(),
      person: text(),
    },
    { sequelize, tableName: 'gate_answers' },
  );
  Container.init(
    {
      id: key(),
      workshopId: uuid(),
      grade: text(),
      isoClass: DataTypes.TEXT,
      batch: text(),
      sizeMl: whole(),
      state: { ...text(), defaultValue: 'sealed' },
      receivedAt: time(),
      travelledAt: DataTypes.DATE,
      openedAt: DataTypes.DATE,
      keptCapped: { type: DataTypes.BOOLEAN, defaultValue: true },
      discardedAt: DataTypes.DATE,
      discardedMl: ml(),
      version: { ...whole(), defaultValue: 1 },
    },
    { sequelize, tableName: 'containers' },
  );
  ContainerDraw.init(
    {
      jobId: key(),
      containerId: { ...uuid(), primaryKey: true },
      workshopId: uuid(),
      pouredMl: ml(),
      discardedMl: ml(),
      foundMl: { ...ml(), defaultValue: 0 },
      leftMl: ml(),
    },
    { sequelize, tableName: 'container_draws' },
  );
  FluidMovedRow.init(
    {
      id: key(),
      workshopId: uuid(),
      jobId: DataTypes.UUID,
      containerId: DataTypes.UUID,
      at: time(),
      by: text(),
      bledMl: ml(),
      bledBy: { ...text(), defaultValue: 'measured' },
      removedMl: ml(),
      spilledMl: ml(),
      discardedMl: ml(),
      caughtMl: ml(),
      handOverId: DataTypes.UUID,
    },
    { sequelize, tableName: 'fluid_moved' },
  );
  HandOver.init(
    {
      id: key(),
      workshopId: uuid(),
      at: time(),
      by: text(),
      toWhom: text(),
      document: text(),
      wasteMl: ml(),
    },
    { sequelize, tableName: 'hand_overs' },
  );
}
