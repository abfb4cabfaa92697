import { JOB_STAGES } from '@brook/core/job/stage';
import { layoutTemplates, type TemplateId } from '@brook/core/vehicle/circuit/templates';
import { HALT_REASONS } from '@brook/core/job/events';
import { PURPOSES } from '@brook/core/bleed/scope';
import { OWN_STAGE_KINDS } from '@brook/core/bleed/stages';
import { z } from 'zod';
import { line, oneOf } from './common';
import { houseRules } from './houseRules';
import { fluidEntry } from './job';
import { lookAgainHappenings } from './events';
import { planChoices } from './plan';
import { role } from './session';
import { newContainers } from './shelf';
import { makerEntry } from './vehicle';

const daysAgo = z.number().min(0).describe('Days before the loading');

const TEMPLATE_IDS = layoutTemplates.map((t) => t.id) as [TemplateId, ...TemplateId[]];

/** Workshops with people, vehicles and jobs, as the demo and the tests load them into an empty database. */
export const seed = z.strictObject({
  workshops: z.array(
    z.strictObject({
      name: line('Workshop', 2, 80),
      timeZone: z.string(),
      users: z
        .array(
          z.strictObject({
            login: line('Sign-in name', 2, 60),
            name: line('Name', 2, 60),
            password: z.string().min(8),
            role,
          }),
        )
        .min(1),
      houseRules: houseRules.partial().optional(),
      deliveries: z
        .array(
          newContainers.extend({
            daysAgo,
            openedDaysAgo: z
              .number()
              .int()
              .min(0)
              .nullable()
              .optional()
              .describe('Days before the loading at which it was opened, null when nobody knows'),
          }),
        )
        .default([]),
      clearOuts: z
        .array(z.strictObject({ daysAgo, by: z.string() }))
        .default([])
        .describe('Days on which opened containers that the rule no longer admits are discarded'),
      handOvers: z
        .array(
          z.strictObject({
            daysAgo,
            by: z.string(),
            toWhom: line('Who took it', 2, 80),
            document: line('Document', 1, 80),
          }),
        )
        .default([]),
      vehicles: z.array(
        z.strictObject({
          name: line('Name', 2, 60),
          tag: line('Tag', 1, 20),
          templateId: oneOf('Template', TEMPLATE_IDS),
          driverSide: z.enum(['left', 'right', 'middle']),
          makerEntry: makerEntry.optional(),
        }),
      ),
      jobs: z.array(
        z.strictObject({
          vehicleTag: z.string(),
          daysAgo: daysAgo.describe('Days before the loading at which the job was opened'),
          by: z.string().describe('Sign-in name of the technician'),
          purpose: oneOf('Purpose', PURPOSES).optional(),
          choices: planChoices.partial({ work: true }).optional(),
          fluid: fluidEntry.nullable(),
          reach: z.enum(JOB_STAGES).describe('Stage at which the job stands'),
          strokes: z
            .number()
            .int()
            .min(0)
            .optional()
            .describe('For a run that stands half-way: strokes made'),
          before: z
            .enum(OWN_STAGE_KINDS)
            .optional()
            .describe('For a run that stands before a stage of this kind'),
          airMl: z
            .number()
            .min(0)
            .max(5)
            .optional()
            .describe(
              'Each pedal measured at the end, with so much air behind it by the model, mL',
            ),
          halt: z
            .enum(HALT_REASONS)
            .optional()
            .describe('What stopped the run, undecided unless the job ended'),
          endReason: z.string().optional(),
          lookAgain: z
            .array(z.discriminatedUnion('kind', lookAgainHappenings))
            .default([])
            .describe('Said before the release: what a later visit looks at again'),
          letGo: z
            .strictObject({ by: z.string(), why: line('Why it was let go', 2, 200) })
            .optional()
            .describe('Photos of level and joints were asked for then, and a lead let them go'),
        }),
      ),
    }),
  ),
});
export type Seed = z.input<typeof seed>;
