import type { Layout } from '@brook/core/vehicle/circuit';
import { COLOURS } from '@brook/core/fluid/verdict';
import { METHODS, WORKSHOP_C } from '@brook/core/hydraulics/flow';
import { ORDER_SCHOOLS } from '@brook/core/hydraulics/order';
import { OUTLET_TARGET, USUAL_CHOICES } from '@brook/core/bleed/plan';
import {
  ALSO,
  BENCH_ENDS,
  LOWEST_LEVEL_MM,
  PURPOSES,
  SEEN_AT_INTAKE,
} from '@brook/core/bleed/scope';
import { z } from 'zod';
import { line, oneOf, within } from './common';
import { computed } from './computed';
import { houseRules } from './houseRules';
import { layout } from './layout';
import { flag, grade, isoClass } from './sample';

const elementId = line('Element id', 1, 60);
const answered = (what: string) =>
  z.boolean({ error: `${what} is not answered; give true or false.` });

export const partsChanged = z
  .array(
    z.strictObject({
      partId: elementId,
      cappedAtOnce: answered('Whether the joint was capped at once'),
      keptFull: answered('Whether the reservoir was kept full'),
      newPart: flag('newPart')
        .default(true)
        .describe('Whether the part is new, not the old one put back'),
      notYet: flag('notYet').optional().describe('Not done yet: the run asks how it went'),
    }),
  )
  .max(20);
export const goesAlong = z
  .array(oneOf('What goes along', ALSO))
  .max(ALSO.length)
  .readonly()
  .describe('What it is here for besides');
export const foundAtIntake = z
  .array(
    z.strictObject({
      what: oneOf('What was found', SEEN_AT_INTAKE),
      where: z.string().trim().max(80, 'Where it was found should have at most 80 characters.'),
    }),
  )
  .max(SEEN_AT_INTAKE.length)
  .refine(
    (given) => new Set(given.map((f) => f.what)).size === given.length,
    'Each thing that was found should stand once.',
  )
  .readonly()
  .describe('What else was seen when it was taken in');

/** What was done to the vehicle, in facts. */
export const workDone = z.strictObject({
  purpose: oneOf('Purpose', PURPOSES),
  also: goesAlong.optional(),
  found: foundAtIntake.optional(),
  masterIds: z.array(elementId).min(1, 'Nothing is in hand; give at least one master.').max(6),
  parts: partsChanged.default([]),
  master: z
    .strictObject({
      masterId: elementId,
      linesStayedFull: answered('Whether the lines stayed full'),
      linesAboveWheels: answered('Whether the lines lie above the wheels'),
      nothingElseOpened: answered('Whether nothing else was opened'),
      modulatorLostNothing: answered('Whether the modulator lost nothing'),
      heldDown: answered('Whether it was held down'),
      bench: oneOf('End of the bench run', BENCH_ENDS),
      notYet: flag('notYet').optional().describe('Not done yet: the run asks how it went'),
      linesOver: z
        .array(elementId)
        .max(8)
        .default([])
        .describe('Its lines that cross, from the top down'),
    })
    .nullable()
    .default(null),
  lowest: z
    .array(
      z.strictObject({
        reservoirId: elementId,
        belowMaxMm: within(LOWEST_LEVEL_MM),
      }),
    )
    .max(8)
    .default([])
    .describe('Lowest level seen, per reservoir'),
  modulatorOpened: flag('modulatorOpened').default(false),
  setAsOne: flag('setAsOne')
    .optional()
    .describe('Of a dry clutch: master, line and slave come off as one'),
  airInModulator: flag('airInModulator')
    .default(false)
    .describe('Still soft after a whole bleed that ended clean'),
  renewPockets: flag('renewPockets')
    .default(false)
    .describe('On a flush: the closed pockets of the modulator too, by the tool'),
  endLost: oneOf('End that lost pressure', ['front', 'rear']).nullable().default(null),
  anotherLamp: flag('anotherLamp')
    .optional()
    .describe('The lamp that is lit is not that of the differential valve'),
  owed: z
    .strictObject({
      airAt: z.array(elementId).max(40).readonly(),
      oldAt: z.array(elementId).max(40).readonly(),
      modulatorIds: z.array(elementId).max(8).readonly(),
      rubberAt: z.array(elementId).max(8).readonly().optional(),
      strippedAt: z.array(elementId).max(8).readonly().optional(),
    })
    .optional()
    .describe('What earlier jobs left; on a job the server puts it in'),
});

const means = z.strictObject({
  helper: flag('helper'),
  bottle: flag('bottle'),
  vacuumPump: flag('vacuumPump'),
  pressurePot: flag('pressurePot'),
  syringe: flag('syringe'),
  selfRefilling: flag('selfRefilling'),
  scanTool: flag('scanTool'),
});
const circumstances = z.strictObject({
  temperatureC: within(WORKSHOP_C),
  axleHanging: flag('axleHanging'),
  masterWorn: flag('masterWorn'),
  dirty: flag('dirty'),
  takesNoFluid: flag('takesNoFluid'),
});

/** What a technician says and chooses for a plan; left out, the workshop and the ranking choose. */
export const planChoices = z.strictObject({
  work: workDone,
  means: means.default(USUAL_CHOICES.means),
  circumstances: circumstances.default(USUAL_CHOICES.circumstances),
  method: oneOf('Method', METHODS).nullable().default(USUAL_CHOICES.method),
  order: oneOf('Order', [...ORDER_SCHOOLS, 'maker', 'least fluid'])
    .nullable()
    .default(USUAL_CHOICES.order),
  leastFluid: z
    .array(elementId)
    .max(8)
    .nullable()
    .default(USUAL_CHOICES.leastFluid)
    .describe('The order that a search found'),
  holdPoint: flag('holdPoint').default(USUAL_CHOICES.holdPoint),
  primeInPlace: flag('primeInPlace').default(USUAL_CHOICES.primeInPlace),
  leaveOldFluid: flag('leaveOldFluid')
    .default(false)
    .describe('The fluid is due and is left in all the same: then it is owed at the next visit'),
  partnerAges: z
    .array(
      z.strictObject({
        partId: elementId,
        months: z
          .number({ error: 'Months should be 0 to 600, or null.' })
          .min(0)
          .max(600)
          .nullable(),
      }),
    )
    .max(20)
    .default([...USUAL_CHOICES.partnerAges]),
});
export type PlanChoices = z.output<typeof planChoices>;

const planRules = houseRules.pick({
  order: true,
  pairs: true,
  preferredMethod: true,
  strokeShape: true,
  pumpsBeforeHolding: true,
  hoseEnd: true,
  benchFill: true,
  joinWay: true,
  jointTightness: true,
  altitudeM: true,
  minutesPerBleeder: true,
  minutesPerTopUp: true,
  secondsPerStrokeTwoPeople: true,
  secondsPerStrokeLever: true,
  secondsPerStrokeBottle: true,
});

/** What if: everything that a plan is made of. */
export const planPreviewRequest = planChoices.extend({
  layout,
  work: workDone.optional().describe('A routine flush of everything when left out'),
  fillGrade: grade,
  isoClass,
  newColour: oneOf('Colour of the new fluid', COLOURS),
  makerOrder: z.array(elementId).max(40).nullable().default(USUAL_CHOICES.makerOrder),
  preferences: planRules
    .partial()
    .extend({
      outletTarget: within(OUTLET_TARGET).optional(),
    })
    .default({})
    .describe('What is left out is the workshop’s'),
});
export type PlanPreviewRequest = Omit<z.output<typeof planPreviewRequest>, 'layout'> & {
  readonly layout: Layout;
};

export const planPreview = z.object({
  result: computed('PreviewResult').describe('The plan, or the reasons why there is none'),
  orders: computed('PreviewOrders').describe('Every order priced, cheapest first'),
  notEmptied: computed('PreviewNotEmptied').describe(
    'What leaving the old fluid in the reservoir would cost, mL more',
  ),
});
