import type { FluidEntry, ProofEntry, Role } from '@brook/contract';
import type { DriveState, JobStage } from '@brook/core/job';
import type { Layout } from '@brook/core/circuit';
import type { FillVerdict } from '@brook/core/fluid';
import type { PlanResult } from '@brook/core/plan';
import type { RunEvent } from '@brook/core/run';
import { DataTypes, Model, type CreationOptional, type InferAttributes, type InferCreationAttributes, type Sequelize } from 'sequelize';

export class Workshop extends Model<InferAttributes<Workshop>, InferCreationAttributes<Workshop>> {
  declare id: string;
  declare name: string;
  declare timeZone: string;
  declare nextJobNumber: CreationOptional<number>;
}

export class User extends Model<InferAttributes<User>, InferCreationAttributes<User>> {
  declare id: string;
  declare workshopId: string;
  declare login: string;
  declare name: string;
  declare role: Role;
  declare passwordHash: string;
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
  declare version: CreationOptional<number>;
}

/** A person and a moment, as it stands on the record. */
export interface Named {
  readonly by: string;
  readonly at: string;
}

/** One test drive, from "test drive only" to its result. */
export interface Drive {
  readonly setBy: string;
  readonly by: string;
  readonly at: string;
  readonly result: 'good' | 'bad' | null;
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
  declare fluid: CreationOptional<(FluidEntry & { verdict: FillVerdict }) | null>;
  declare planResult: CreationOptional<PlanResult | null>;
  declare planAccepted: CreationOptional<Named | null>;
  declare proof: CreationOptional<ProofEntry & { by: string | null }>;
  declare drives: CreationOptional<Drive[]>;
  declare released: CreationOptional<Named | null>;
  declare ended: CreationOptional<(Named & { reason: string }) | null>;
  declare version: CreationOptional<number>;
}

export class RunEventRow extends Model<InferAttributes<RunEventRow>, InferCreationAttributes<RunEventRow>> {
  declare jobId: string;
  declare position: number;
  declare id: string;
  declare workshopId: string;
  declare deviceId: string;
  declare deviceSeq: number;
  declare at: Date;
  declare by: string;
  declare event: RunEvent;
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
  Workshop.init({ id: key(), name: text(), timeZone: text(), nextJobNumber: { ...whole(), defaultValue: 1 } }, { sequelize, tableName: 'workshops' });
  User.init({ id: key(), workshopId: uuid(), login: text(), name: text(), role: text(), passwordHash: text() }, { sequelize, tableName: 'users' });
  Vehicle.init(
    {
      id: key(), workshopId: uuid(), name: text(), tag: text(), layout: json(),
      driveState: { ...text(), defaultValue: 'free' }, driveSince: DataTypes.DATE, driveReason: DataTypes.TEXT, version: { ...whole(), defaultValue: 1 },
    },
    { sequelize, tableName: 'vehicles' },
  );
  Job.init(
    {
      id: key(), workshopId: uuid(), vehicleId: uuid(), number: whole(), stage: text(), closed: { type: DataTypes.BOOLEAN, defaultValue: false },
      openedAt: time(), openedBy: text(), closedAt: DataTypes.DATE, fluid: json(), planResult: json(), planAccepted: json(),
      proof: { ...json(), defaultValue: { pedal: null, checks: {}, by: null } }, drives: { ...json(), defaultValue: [] }, released: json(), ended: json(),
      version: { ...whole(), defaultValue: 1 },
    },
    { sequelize, tableName: 'jobs' },
  );
  RunEventRow.init(
    { jobId: key(), position: { ...whole(), primaryKey: true }, id: uuid(), workshopId: uuid(), deviceId: uuid(), deviceSeq: whole(), at: time(), by: text(), event: json() },
    { sequelize, tableName: 'run_events' },
  );
}
