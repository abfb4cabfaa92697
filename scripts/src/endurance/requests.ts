import type { Job } from '@brook/contract';
import type { OPERATIONS } from '@brook/contract/openapi';
import { SOUND_FLUID } from '@brook/contract/apiDriver';
import { templateById } from '@brook/core/vehicle/circuit/templates';
import { METRIC } from '@brook/core/base/units';
import { DEFAULT_RULES } from '@brook/core/bleed/rules';
import type { Caller } from './field';

export type Operation = (typeof OPERATIONS)[number];

/** Ids that a body or a path names. */
export interface Ids {
  readonly job: string;
  readonly vehicle: string;
  readonly container: string;
  readonly person: string;
  /** A photo that a log tells of. */
  readonly media: string;
}

const { samples, fill: _, newColour: __, newDye: ___, ...READ } = SOUND_FLUID;
const CHOICES = { work: { purpose: 'routine flush', masterIds: ['master'] } };

/** What came in and is put on the shelf. */
export const DELIVERY = {
  grade: 'DOT 4',
  isoClass: null,
  batch: 'F-1',
  sizeMl: 500,
  count: 2,
  justCarried: false,
} as const;

/** A body that is right, for one operation of the document. @throws Error for a body that has none here yet */
export function bodyFor(o: Operation, ids: Ids, job: Job): unknown {
  const event = {
    id: crypto.randomUUID(),
    deviceId: ids.person,
    deviceSeq: 1,
    atMs: Date.now(),
    planId: null,
  };
  const layout = templateById('hatchback-diagonal')!.build('right');
  const bodies: Record<string, unknown> = {
    SignIn: { login: 'ours', password: 'not it' },
    ChangePassword: { old: 'not it', new: 'another long word' },
    PersonChange: { left: false },
    NewVehicle: {
      name: 'Another hatchback',
      tag: event.id.slice(0, 12),
      templateId: 'hatchback-diagonal',
      driverSide: 'right',
    },
    Layout: layout,
    MakerEntry: { grades: ['DOT 4'], order: null, intervalMonths: 24 },
    HouseRules: DEFAULT_RULES,
    NewContainers: DELIVERY,
    OpenContainer: { openedDaysAgo: 0 },
    CountContainer: { leftMl: 100 },
    DiscardContainer: { caught: true },
    NewHandOver: { toWhom: 'Collector', document: 'D-1' },
    CompatibilityRequest: { ...READ, candidates: [{ id: 'a', grade: 'DOT 4', isoClass: null }] },
    ConditionRequest: { grade: 'DOT 4', isoClass: null, lastDye: null, samples },
    PlanPreviewRequest: {
      ...CHOICES,
      layout,
      fillGrade: 'DOT 4',
      isoClass: null,
      newColour: 'clear',
    },
    NewJob: { vehicleId: ids.vehicle, purpose: 'routine flush' },
    MoveJob: { vehicleId: ids.vehicle },
    FluidEntry: SOUND_FLUID,
    PlanChoices: CHOICES,
    AcceptPlan: { lookedAtOpened: true },
    EventBatch: {
      events: [
        { ...event, kind: 'note', text: 'A note' },
        {
          ...event,
          id: crypto.randomUUID(),
          deviceSeq: 2,
          kind: 'topped up',
          reservoirId: job.layout.reservoirs[0]?.id ?? 'reservoir',
          containerId: ids.container,
        },
      ],
      lowestWaiting: 1,
      since: 0,
    },
    VehicleEventBatch: { events: [{ ...event, kind: 'marked', reason: 'A reason' }] },
    PutAway: { holds: 0 },
    JoinHelp: { code: 'A2A2 B3B3', name: 'Ana' },
    HelpHere: { token: 'a'.repeat(43) },
    HelpSignal: { token: 'a'.repeat(43), id: event.id, openingId: 'front', signal: 'at the end' },
    FluidUsed: {
      containers: [{ containerId: ids.container, pouredMl: 10, discardedMl: 0 }],
      bledMl: 10,
      bledBy: 'measured',
      removedMl: 0,
      spilledMl: 0,
    },
    DriveResult: { result: 'good' },
    EndJob: { reason: 'It was enough' },
    Override: { code: 'photo asked for', of: 'level', why: 'No phone got in' },
    UnitChoice: METRIC,
    JoinWorkshop: { code: '2'.repeat(16), login: 'somebody', password: 'a word or two' },
    NewInvitation: { name: 'Somebody', role: 'technician' },
  };
  if (!o.takes) return undefined;
  if (!(o.takes in bodies)) throw new Error(`there is no body for ${o.takes} yet`);
  return bodies[o.takes];
}

/** A picture of one pixel, as PNG. */
const PIXEL = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);

/** What an operation takes as a file, as it is sent; undefined where it takes none. */
export const fileFor = (o: Operation): Buffer | undefined => (o.takesFile ? PIXEL : undefined);

/** Put a photo into the log of a job. @returns its id */
export async function noteMedia(caller: Caller, jobId: string): Promise<string> {
  const id = crypto.randomUUID();
  const event = { id, deviceId: crypto.randomUUID(), deviceSeq: 1, atMs: Date.now(), planId: null };
  const events = [{ ...event, kind: 'media note', medium: 'photo', elementId: null }];
  await caller.call('POST', `/jobs/${jobId}/events`, { events, lowestWaiting: 1, since: 0 });
  return id;
}

/** An address with its id put in. */
export const pathFor = (path: string, ids: Ids): string =>
  path.replace(
    '{id}',
    path.startsWith('/vehicles')
      ? ids.vehicle
      : path.startsWith('/shelf')
        ? ids.container
        : path.startsWith('/people')
          ? ids.person
          : path.startsWith('/media')
            ? ids.media
            : ids.job,
  );
