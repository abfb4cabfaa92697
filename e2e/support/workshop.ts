import type { FluidEntry, HouseRulesRecord, Job, Shelf, Vehicle } from '@brook/contract';
import {
  ApiDriver,
  planOfJob,
  SOUND_FLUID,
  type Answer,
  type Method,
} from '@brook/contract/apiDriver';
import { expect, type APIRequestContext, type Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { PHOTO } from './photo';

export const UNA = { login: 'una', password: 'skerrow-demo', name: 'Una Marrick' };
export const TARN = { login: 'tarn', password: 'skerrow-demo', name: 'Tarn Hollis' };
export const BREK = { login: 'brek', password: 'lunna-demo', name: 'Brek Sandel' };

type Choices = Job['planChoices'];
type Plan = ReturnType<typeof planOfJob>;

/** The phone that each page is. */
const devices = new WeakMap<Page, string>();

/** A master that is still to be changed, with every care. */
export const MASTER_NOT_YET: NonNullable<Choices['work']['master']> = {
  masterId: 'master',
  linesStayedFull: true,
  linesAboveWheels: true,
  nothingElseOpened: true,
  modulatorLostNothing: true,
  heldDown: true,
  bench: 'not done',
  notYet: true,
  linesOver: [],
};

/** What a test prepares through the API before it looks at a screen, on vehicles of its own. */
export class Workshop extends ApiDriver {
  private constructor(
    private readonly request: APIRequestContext,
    deviceId: string,
  ) {
    super({
      nextId: randomUUID,
      deviceId: () => deviceId,
      saidFromMs: (count) => Date.now() - 1_000 * count,
      everyMs: 1_000,
    });
  }

  /** Sign a page in. What is prepared through the API counts as tapped on that page's phone, so that it goes on counting there. */
  static async signIn(
    page: Page,
    who: { login: string; password: string } = UNA,
  ): Promise<Workshop> {
    const res = await page.request.post('/api/v1/session', {
      data: { login: who.login, password: who.password },
    });
    expect(res.status()).toBe(201);
    const deviceId = randomUUID();
    await page.addInitScript((id) => localStorage.setItem('brook.device', id), deviceId);
    devices.set(page, deviceId);
    return new Workshop(page.request, deviceId);
  }

  /** For a page that is signed in already. */
  static async signedIn(page: Page): Promise<Workshop> {
    const deviceId = devices.get(page);
    return deviceId ? new Workshop(page.request, deviceId) : Workshop.signIn(page);
  }

  protected override async answer(
    method: Method,
    path: string,
    body?: object,
    version?: number,
  ): Promise<Answer> {
    const res = await this.request.fetch(`/api/v1${path}`, {
      method,
      ...(body ? { data: body } : {}),
      headers: version === undefined ? {} : { 'if-match': `"${version}"` },
    });
    const text = await res.text();
    return { status: res.status(), body: text === '' ? null : JSON.parse(text) };
  }

  /** The job that a page shows, once it shows one: what may be driven stands on lists and forms too, so its words do not say that a job was opened. */
  async shown(page: Page): Promise<Job> {
    await page.waitForURL(/\/jobs\//);
    return this.job(new URL(page.url()).pathname.split('/').at(-1)!);
  }

  async rules(): Promise<HouseRulesRecord['rules']> {
    return (await this.ask<HouseRulesRecord>('get', '/house-rules')).rules;
  }

  async changeRules(more: Partial<HouseRulesRecord['rules']>): Promise<void> {
    const { rules, version } = await this.ask<HouseRulesRecord>('get', '/house-rules');
    await this.ask('put', '/house-rules', { ...rules, ...more }, version);
  }

  /** A job whose plan lies there to be looked at. */
  async planned(vehicle: Pick<Vehicle, 'id'>): Promise<Job> {
    const job = await this.openJob(vehicle);
    // Whatever other tests draw at the same time, this one has its own.
    await this.shelve();
    return this.readFluid(job);
  }

  /** A planned job of a grade of which nothing is left on the shelf. */
  async plannedOn(grade: 'DOT 3' | 'DOT 5.1', vehicle: Vehicle): Promise<Job> {
    const job = await this.openJob(vehicle);
    const { containers } = await this.ask<Shelf>('get', '/shelf');
    for (const c of containers.filter((s) => s.grade === grade))
      await this.ask('post', `/shelf/${c.id}/discard`, { caught: true }, c.version);
    return this.readFluid(job, {
      ...SOUND_FLUID,
      demands: [{ source: 'cap', grades: [grade], lowViscosity: false }],
      inSystem: 'unknown',
      fill: { grade, isoClass: null, labelRead: grade === 'DOT 5.1' ? grade : null },
    });
  }

  /** Accept the plan of a job, with fluid enough on the shelf. */
  override async accept(job: Pick<Job, 'id'>): Promise<Job> {
    await this.shelve();
    return super.accept(job);
  }

  /** A job that stands at its first stroke, or after so many. */
  async running(vehicle: Pick<Vehicle, 'id'>, strokes = 0): Promise<Job> {
    return this.runOn(await super.accept(await this.planned(vehicle)), { strokes });
  }

  /** A job after work, its plan accepted; a scan tool is at hand. */
  async afterWork(vehicle: Vehicle, work: Partial<Choices['work']>): Promise<Job> {
    const { id, planChoices } = await this.planned(vehicle);
    const chosen = await this.choose(
      { id },
      {
        means: { ...planChoices.means, scanTool: true },
        work: { ...planChoices.work, purpose: 'after work', ...work },
      },
    );
    return super.accept(chosen);
  }

  /** What comes before a new part is compared: protected, made still, bleeders cracked. */
  async prepared(job: Job): Promise<void> {
    const ofTheReservoir = ['empty reservoir', 'clean reservoir', 'fill reservoir'];
    const steps = planOfJob(job).preparation.filter((step) => !ofTheReservoir.includes(step));
    await this.say(
      job,
      steps.map((step) => ({ kind: 'prepared', step })),
    );
  }

  /** A job that stands before its tool cycle: the modulator was changed, the base bleed is through. */
  async atTool(vehicle: Vehicle): Promise<Job> {
    const job = await this.afterWork(vehicle, { modulatorOpened: true });
    return this.runOn(job, { until: 'tool cycle' });
  }

  /** A clutch whose old slave went back, bled and to be proved. */
  async atSlaveTest(vehicle: Vehicle): Promise<Job> {
    const parts = [{ partId: 'slave', cappedAtOnce: true, keptFull: true, newPart: false }];
    const job = await this.afterWork(vehicle, { masterIds: ['clutch-master'], parts });
    return this.runOn(job, { until: 'slave test' });
  }

  /** A job that waits for its proof. */
  async bled(vehicle: Pick<Vehicle, 'id'>): Promise<Job> {
    return this.runOn(await this.running(vehicle));
  }

  /** A job that waits for the drive's result. */
  async onTestDrive(vehicle: Pick<Vehicle, 'id'>): Promise<Job> {
    const job = await this.recordFluid(await this.bled(vehicle));
    return this.change(await this.prove(job), 'post', 'test-drive');
  }

  async released(vehicle: Pick<Vehicle, 'id'>): Promise<Job> {
    const job = await this.recordFluid(await this.bled(vehicle));
    return this.driveAndRelease(await this.prove(job));
  }

  async ended(vehicle: Pick<Vehicle, 'id'>): Promise<Job> {
    return this.end(await this.openJob(vehicle));
  }

  /** Read the fluid of a job as it stands, with another colour in the reservoir. */
  async readColour(
    job: Pick<Job, 'id'>,
    colour: FluidEntry['samples'][number]['colour'],
  ): Promise<Job> {
    const [sample] = SOUND_FLUID.samples;
    return this.readFluid(job, { ...SOUND_FLUID, samples: [{ ...sample!, colour }] });
  }

  /** A photo of a job, with what tells of it. */
  async photo(job: Job): Promise<void> {
    const id = randomUUID();
    await this.say(job, [{ id, kind: 'media note', medium: 'photo', elementId: null }]);
    const res = await this.request.put(`/api/v1/media/${id}`, {
      headers: { 'content-type': 'image/png' },
      data: PHOTO,
    });
    expect(res.status()).toBe(204);
  }

  /** The plan that a decision brought, once its event has arrived; events of one tap may come in several sendings. */
  async planDecided(id: string): Promise<Plan> {
    let plan: Plan | null = null;
    await expect
      .poll(async () => {
        const decided = (await this.job(id)).events.find((e) => e.kind === 'decided');
        plan = decided?.kind === 'decided' ? (decided.plan ?? null) : null;
        return plan;
      })
      .not.toBeNull();
    return plan!;
  }
}

/** A bench run of which every sign of every chamber is seen, and that ends clean. */
export function benchRun(stageId: string, chambers: readonly string[]): object[] {
  const signs = ['no bubbles', 'level steady', 'piston firm'];
  return [
    ...chambers.flatMap((chamber) =>
      signs.map((sign) => ({ kind: 'bench sign', stageId, chamber, sign, holds: true })),
    ),
    { kind: 'bench ended', stageId, grade: 'clean' },
  ];
}
