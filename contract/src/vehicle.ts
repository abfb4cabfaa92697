import { DRIVE_STATES } from '@brook/core/job/stage';
import { CONTROLS, VEHICLE_KINDS } from '@brook/core/vehicle/circuit';
import { layoutTemplates, type TemplateId } from '@brook/core/vehicle/circuit/templates';
import { z } from 'zod';
import { id, isoTime, line, next, oneOf } from './common';
import { computed } from './computed';
import { layout } from './layout';
import { jobPage } from './jobSummary';
import { openItem } from './openItem';
import { flag, grade } from './sample';

const TEMPLATE_IDS = layoutTemplates.map((t) => t.id) as [TemplateId, ...TemplateId[]];

/** A new vehicle: from a template, or with a layout of its own. */
export const newVehicle = z
  .strictObject({
    name: line('Name', 2, 60),
    tag: line('Plate or fleet number', 1, 20),
    templateId: oneOf('Template', TEMPLATE_IDS).optional(),
    driverSide: oneOf('Driver’s side', ['left', 'right', 'middle']).optional(),
    layout: layout.optional(),
  })
  .superRefine((v, context) => {
    if ((v.templateId === undefined) === (v.layout === undefined)) {
      context.addIssue({
        code: 'custom',
        path: ['templateId'],
        message: 'Choose a template or give a layout, one of the two.',
      });
      return;
    }
    const sides = layoutTemplates.find((t) => t.id === v.templateId)?.driverSides;
    if (sides && v.driverSide !== undefined && !sides.includes(v.driverSide)) {
      context.addIssue({
        code: 'custom',
        path: ['driverSide'],
        message: `Driver’s side is ${v.driverSide}; this template has ${sides.join(' or ')}.`,
      });
    }
  });
export type NewVehicle = z.infer<typeof newVehicle>;

const INTERVAL = 'Interval should be whole months from 1 to 120, or left out.';
/** What the vehicle's maker asks for, as a person looked it up; it beats cap, forecast and house rule. */
export const makerEntry = z.strictObject({
  grades: z.array(grade).max(5).describe('Empty when only the interval was looked up'),
  lowViscosity: flag('lowViscosity').default(false),
  order: z
    .array(line('Bleeder', 1, 60))
    .min(1)
    .max(40)
    .nullable()
    .default(null)
    .describe('Bleeder ids in the maker’s order; null when it was not looked up'),
  intervalMonths: z
    .number({ error: INTERVAL })
    .int(INTERVAL)
    .min(1, INTERVAL)
    .max(120, INTERVAL)
    .nullable()
    .default(null)
    .describe('months'),
});
export type MakerEntry = z.output<typeof makerEntry>;

export const driveState = z.object({
  state: oneOf('Drive state', DRIVE_STATES),
  since: isoTime.nullable(),
  reason: z.string().nullable().describe('Why, in one sentence; null when free'),
});
export type VehicleDriveState = z.infer<typeof driveState>;

export const vehicleSummary = z.object({
  id,
  name: z.string(),
  tag: z.string(),
  vehicleKind: z.enum(VEHICLE_KINDS),
  layoutName: z.string(),
  masters: z
    .array(z.object({ id: z.string(), name: z.string(), control: z.enum(CONTROLS) }))
    .describe('What can be taken in hand'),
  drive: driveState,
  openItems: z.array(openItem).describe('What it owes, the oldest first'),
  openJobId: id.nullable(),
});
export type VehicleSummary = z.infer<typeof vehicleSummary>;

/** A page of vehicles, by name. */
export const vehiclePage = z.object({
  vehicles: z.array(vehicleSummary),
  next,
});
export type VehiclePage = z.infer<typeof vehiclePage>;

export const vehicle = vehicleSummary.extend({
  layout: computed('KnownLayout').describe('The hydraulic layout; see the layout schema'),
  jobs: jobPage.describe('The first page of its jobs'),
  makerEntry: makerEntry.nullable(),
  inside: computed('ContentInside')
    .nullable()
    .describe('What is inside, as the last closed job left it; null where none is on record'),
  version: z.number().int(),
});
export type Vehicle = z.infer<typeof vehicle>;
