import type {
  Appended,
  Container,
  FluidEntry,
  HouseRulesRecord,
  Job,
  NewContainers,
  Shelf,
  Vehicle,
} from '@brook/contract';
import { expect, type APIRequestContext, type Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { PHOTO } from './photo';

export const UNA = { login: 'una', password: 'skerrow-demo', name: 'Una Marrick' };
export const TARN = { login: 'tarn', password: 'skerrow-demo', name: 'Tarn Hollis' };
export const BREK = { login: 'brek', password: 'lunna-demo', name: 'Brek Sandel' };

const AMBER: FluidEntry = {
  demands: [{ source: 'cap', grades: ['DOT 4'], lowViscosity: false }],
  follow: null,
  control: 'ABS',
  seals: 'ordinary',
  inSystem: 'DOT 4',
  samples: [
    {
      point: 'reservoir',
      colour: 'amber',
      clarity: 'clear',
      foreign: 'none',
      dye: null,
      dropsInWater: null,
      water: { percent: 2, meterGrade: 'DOT 4' },
      boiling: null,
      copperPpm: null,
      pH: null,
      practice: false,
    },
  ],
  fill: { grade: 'DOT 4', isoClass: null, labelRead: null },
  newColour: 'clear',
  newDye: null,
};

type Plan = ReturnType<typeof planOf>;
type Template =
  | 'hatchback-diagonal'
  | 'three-wheeler'
  | 'estate-front-rear'
  | 'van-four-channel'
  | 'pickup-rear-abs'
  | 'veteran-single'
  | 'motorcycle-front-disc'
  | 'motorcycle-rear-disc'
  | 'motorcycle-twin-front-master-bleeder'
  | 'motorcycle-integral-abs'
  | 'sidecar-outfit'
  | 'motorcycle-clutch-bends'
  | 'clutch-external'
  | 'clutch-concentric'
  | 'motorcycle-abs'
  | 'sports-coupe';

/** The phone that each page is. */
const devices = new WeakMap<Page, string>();

/** A master that is still to be changed, with every care. */
export const MASTER_NOT_YET: NonNullable<Job['planChoices']['work']['master']> = {
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
export class Workshop {
  /** The number of the last event of each job that was said through this one. */
  private readonly lastSeq = new Map<string, number>();

  private constructor(
    private readonly request: APIRequestContext,
    readonly deviceId: string,
  ) {}

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

  async vehicle(
    templateId: Template,
    driverSide: 'left' | 'right' | 'middle',
    name = 'Test vehicle',
  ): Promise<Vehicle> {
    return this.send('POST', '/vehicles', {
      name,
      tag: randomUUID().slice(0, 12),
      templateId,
      driverSide,
    });
  }

  async job(vehicle: Pick<Vehicle, 'id'>): Promise<Job> {
    return this.send('POST', '/jobs', { vehicleId: vehicle.id });
  }

  async rules(): Promise<HouseRulesRecord['rules']> {
    return (await this.send<HouseRulesRecord>('GET', '/house-rules')).rules;
  }

  async changeRules(more: Partial<HouseRulesRecord['rules']>): Promise<void> {
    const { rules, version } = await this.send<HouseRulesRecord>('GET', '/house-rules');
    await this.send('PUT', '/house-rules', { ...rules, ...more }, version);
  }

  /** Sealed containers of DOT 4, enough for any job here. */
  async shelve(
    batch = `T-${randomUUID().slice(0, 6)}`,
    more: Partial<NewContainers> = {},
  ): Promise<Container[]> {
    return this.send('POST', '/shelf', {
      grade: 'DOT 4',
      isoClass: null,
      batch,
      sizeMl: 1000,
      count: 2,
      justCarried: false,
      ...more,
    });
  }

  /** Accept the plan of a job, with fluid enough on the shelf. */
  async accept(job: Job): Promise<Job> {
    await this.shelve();
    const looked = { lookedAtOpened: true };
    return this.send('POST', `/jobs/${job.id}/plan/accept`, looked, job.version);
  }

  /** Say what was done to the vehicle of a job. */
  async choose(job: Job, work: Partial<Job['planChoices']['work']>): Promise<Job> {
    const { planChoices, version } = await this.get(job.id);
    const choices = { ...planChoices, work: { ...planChoices.work, ...work } };
    return this.send('PUT', `/jobs/${job.id}/plan/choices`, choices, version);
  }

  /** Say and choose anything for the plan of a job. */
  async chooseAll(job: Job, more: Partial<Job['planChoices']>): Promise<Job> {
    const { planChoices, version } = await this.get(job.id);
    return this.send('PUT', `/jobs/${job.id}/plan/choices`, { ...planChoices, ...more }, version);
  }

  async end(job: Job): Promise<Job> {
    return this.send('POST', `/jobs/${job.id}/end`, { reason: 'Bay needed.' }, job.version);
  }

  /** A job whose plan lies there to be looked at. */
  async planned(vehicle: Vehicle): Promise<Job> {
    const job = await this.job(vehicle);
    // Whatever other tests draw at the same time, this one has its own.
    await this.shelve();
    return this.send('PUT', `/jobs/${job.id}/fluid`, AMBER, job.version);
  }

  /** A planned job of a grade of which nothing is left on the shelf. */
  async plannedOn(grade: 'DOT 3' | 'DOT 5.1', vehicle: Vehicle): Promise<Job> {
    const job = await this.job(vehicle);
    const { containers } = await this.send<Shelf>('GET', '/shelf');
    for (const c of containers.filter((s) => s.grade === grade))
      await this.send('POST', `/shelf/${c.id}/discard`, { caught: true }, c.version);
    const entry: FluidEntry = {
      ...AMBER,
      demands: [{ source: 'cap', grades: [grade], lowViscosity: false }],
      inSystem: 'unknown',
      fill: { grade, isoClass: null, labelRead: grade === 'DOT 5.1' ? grade : null },
    };
    return this.send('PUT', `/jobs/${job.id}/fluid`, entry, job.version);
  }

  /** A job that stands at its first stroke, or after so many at the first bleeder. */
  async running(vehicle: Vehicle, strokes = 0): Promise<Job> {
    const job = await this.planned(vehicle);
    const accepted: Job = await this.send(
      'POST',
      `/jobs/${job.id}/plan/accept`,
      { lookedAtOpened: true },
      job.version,
    );
    const plan = planOf(accepted);
    const first = plan.openings[0]!;
    await this.log(job.id, [
      ...plan.preparation.map((step) => ({ kind: 'prepared', step })),
      ...Array.from({ length: strokes }, () => ({ kind: 'stroke', openingId: first.bleeder.id })),
    ]);
    return this.get(job.id);
  }

  /** A job after work, its plan accepted; a scan tool is at hand. */
  async afterWork(vehicle: Vehicle, work: Partial<Job['planChoices']['work']>): Promise<Job> {
    const planned = await this.planned(vehicle);
    const { planChoices } = planned;
    const chosen: Job = await this.send(
      'PUT',
      `/jobs/${planned.id}/plan/choices`,
      {
        ...planChoices,
        means: { ...planChoices.means, scanTool: true },
        work: { ...planChoices.work, purpose: 'after work', ...work },
      },
      planned.version,
    );
    return this.send(
      'POST',
      `/jobs/${planned.id}/plan/accept`,
      { lookedAtOpened: true },
      chosen.version,
    );
  }

  /** What comes before a new part is compared: protected, made still, bleeders cracked. */
  async prepared(job: Job): Promise<void> {
    const ofTheReservoir = ['empty reservoir', 'clean reservoir', 'fill reservoir'];
    const steps = planOf(job).preparation.filter((step) => !ofTheReservoir.includes(step));
    await this.log(
      job.id,
      steps.map((step) => ({ kind: 'prepared', step })),
    );
  }

  /** A job that stands before its tool cycle: the modulator was changed, the base bleed is through. */
  async atTool(vehicle: Vehicle): Promise<Job> {
    return this.bledUpTo('tool cycle', await this.afterWork(vehicle, { modulatorOpened: true }));
  }

  /** A clutch whose old slave went back, bled and to be proved. */
  async atSlaveTest(vehicle: Vehicle): Promise<Job> {
    const parts = [{ partId: 'slave', cappedAtOnce: true, keptFull: true, newPart: false }];
    return this.bledUpTo(
      'slave test',
      await this.afterWork(vehicle, { masterIds: ['clutch-master'], parts }),
    );
  }

  /** Everything that is called for before the first stage of a kind. */
  private async bledUpTo(kind: Plan['stages'][number]['kind'], accepted: Job): Promise<Job> {
    const plan = planOf(accepted);
    const at = plan.stages.findIndex((s) => s.kind === kind);
    const before = plan.stages
      .slice(0, at)
      .flatMap((s) => (s.kind === 'bleed' ? s.openingIds : []));
    await this.log(accepted.id, [
      ...plan.preparation.map((step) => ({ kind: 'prepared', step })),
      ...before.flatMap((id) => this.openingOf(plan.openings.find((s) => s.id === id)!)),
    ]);
    return this.get(accepted.id);
  }

  /** Everything that one opening calls for. */
  private openingOf(opening: Plan['openings'][number]): object[] {
    const said: object[] = [];
    for (let made = 0; made < opening.strokes.value; made++) {
      if (opening.topUps.some((t) => t.afterStrokes === made))
        said.push({ kind: 'topped up', reservoirId: opening.reservoirId, containerId: null });
      said.push({ kind: 'stroke', openingId: opening.id });
    }
    return [
      ...said,
      { kind: 'bubbles', openingId: opening.id, reading: 'none' },
      { kind: 'colour', openingId: opening.id, colour: 'clear' },
      { kind: 'shut', openingId: opening.id, tightened: 'by feel' },
    ];
  }

  /** A job that waits for its proof. */
  async bled(vehicle: Vehicle): Promise<Job> {
    return this.bleed(await this.running(vehicle));
  }

  /** Everything that is called for on a job whose plan was accepted, by the plan. */
  async bleed(job: Job): Promise<Job> {
    const prepared = job.events.some((e) => e.kind === 'prepared');
    return this.bleedBy(job, planOf(job), prepared);
  }

  /** The same by the plan of the rest that a decision brought. */
  async bleedBy(job: Job, plan: Plan, prepared = false): Promise<Job> {
    await this.log(job.id, [
      ...(prepared ? [] : plan.preparation.map((step) => ({ kind: 'prepared', step }))),
      ...plan.openings.flatMap((opening) => this.openingOf(opening)),
      ...plan.reservoirs.map((b) => ({ kind: 'topped up', reservoirId: b.id, containerId: null })),
    ]);
    return this.get(job.id);
  }

  /** A clutch job bled and its slave tested, with what it moved put down. */
  async bledAndTested(accepted: Job): Promise<Job> {
    const plan = planOf(accepted);
    await this.log(accepted.id, [
      ...plan.preparation.map((step) => ({ kind: 'prepared', step })),
      ...plan.openings.flatMap((opening) => this.openingOf(opening)),
      ...plan.stages.flatMap((s) =>
        s.kind === 'slave test'
          ? [
              s.way === 'blocked'
                ? { kind: 'slave tested', stageId: s.id, mm: 1, reverse: null }
                : { kind: 'slave tested', stageId: s.id, mm: 60, reverse: 'clean' },
            ]
          : [],
      ),
      ...plan.reservoirs.map((b) => ({ kind: 'topped up', reservoirId: b.id, containerId: null })),
    ]);
    return this.usedUp(await this.get(accepted.id));
  }

  /** A bled job with what it moved put down: as planned, out of the picked containers in turn. */
  async usedUp(job: Job): Promise<Job> {
    const { totals } = planOf(job);
    let rest = totals.pouredMl.value;
    const containers = (job.pick?.kind === 'enough' ? job.pick.containers : []).map((c) => {
      const pouredMl = Math.min(rest, c.leftMl);
      rest -= pouredMl;
      return { containerId: c.id, pouredMl };
    });
    return this.send(
      'PUT',
      `/jobs/${job.id}/fluid-used`,
      {
        containers: containers.filter((c) => c.pouredMl > 0),
        bledMl: totals.bledMl.value,
        bledBy: 'strokes',
        removedMl: totals.removedMl.value,
        spilledMl: 0,
      },
      job.version,
    );
  }

  /** A job that waits for the drive's result. */
  async onTestDrive(vehicle: Vehicle): Promise<Job> {
    let job = await this.usedUp(await this.bled(vehicle));
    await this.log(job.id, provedBy(vehicle));
    job = await this.get(job.id);
    return this.send('POST', `/jobs/${job.id}/test-drive`, undefined, job.version);
  }

  async released(vehicle: Vehicle): Promise<Job> {
    return this.drivenWell(await this.onTestDrive(vehicle));
  }

  /** A proved job driven and released. */
  async drivenAndReleased(job: Job): Promise<Job> {
    return this.drivenWell(
      await this.send('POST', `/jobs/${job.id}/test-drive`, undefined, job.version),
    );
  }

  private async drivenWell(onDrive: Job): Promise<Job> {
    const job: Job = await this.send(
      'POST',
      `/jobs/${onDrive.id}/test-drive/result`,
      { result: 'good' },
      onDrive.version,
    );
    return this.send('POST', `/jobs/${job.id}/release`, undefined, job.version);
  }

  async ended(vehicle: Vehicle): Promise<Job> {
    const job = await this.job(vehicle);
    return this.send(
      'POST',
      `/jobs/${job.id}/end`,
      { reason: 'Wanted back before anything was opened.' },
      job.version,
    );
  }

  /** Read the fluid of a job as it stands, with another colour in the reservoir. */
  async readFluid(
    job: Pick<Job, 'id'>,
    colour: FluidEntry['samples'][number]['colour'] = 'amber',
  ): Promise<Job> {
    const { version } = await this.get(job.id);
    const samples = AMBER.samples.map((s) => ({ ...s, colour }));
    return this.send('PUT', `/jobs/${job.id}/fluid`, { ...AMBER, samples }, version);
  }

  async saveLayout(vehicle: Pick<Vehicle, 'id'>, layout: Vehicle['layout']): Promise<Vehicle> {
    const { version } = await this.saved(vehicle);
    return this.send('PUT', `/vehicles/${vehicle.id}/layout`, layout, version);
  }

  /** A vehicle as it stands now. */
  async saved(vehicle: Pick<Vehicle, 'id'>): Promise<Vehicle> {
    return this.send('GET', `/vehicles/${vehicle.id}`);
  }

  /** A photo of a job, with what tells of it. */
  async photo(job: Job): Promise<void> {
    const id = randomUUID();
    await this.log(job.id, [{ id, kind: 'media note', medium: 'photo', elementId: null }]);
    const res = await this.request.put(`/api/v1/media/${id}`, {
      headers: { 'content-type': 'image/png' },
      data: PHOTO,
    });
    expect(res.status()).toBe(204);
  }

  async get(id: string): Promise<Job> {
    const res = await this.request.get(`/api/v1/jobs/${id}`);
    expect(res.status()).toBe(200);
    return (await res.json()) as Job;
  }

  /** The plan that a decision brought, once its event has arrived; events of one tap may come in several sendings. */
  async planDecided(id: string): Promise<ReturnType<typeof planOf>> {
    let plan: ReturnType<typeof planOf> | null = null;
    await expect
      .poll(async () => {
        const decided = (await this.get(id)).events.find((e) => e.kind === 'decided');
        plan = decided?.kind === 'decided' ? (decided.plan ?? null) : null;
        return plan;
      })
      .not.toBeNull();
    return plan!;
  }

  /** Put events into a job's log, in their order, as this phone. */
  async log(id: string, said: readonly object[]): Promise<void> {
    const before = this.lastSeq.get(id) ?? 0;
    this.lastSeq.set(id, before + said.length);
    const events = said.map((s, i) => ({
      id: randomUUID(),
      deviceId: this.deviceId,
      deviceSeq: before + i + 1,
      atMs: Date.now() - 1000 * (said.length - i),
      planId: null,
      ...s,
    }));
    const { answers } = await this.send<Appended>('POST', `/jobs/${id}/events`, {
      events,
      lowestWaiting: before + said.length + 1,
      since: 0,
    });
    expect(answers.filter((a) => a.result === 'refused')).toEqual([]);
  }

  private async send<T>(method: string, path: string, data?: object, version?: number): Promise<T> {
    const res = await this.request.fetch(`/api/v1${path}`, {
      method,
      ...(data ? { data } : {}),
      headers: version === undefined ? {} : { 'if-match': `"${version}"` },
    });
    expect(res.ok(), `${method} ${path}: ${await res.text()}`).toBe(true);
    return (await res.json()) as T;
  }
}

export function planOf(job: Job) {
  if (job.planResult?.verdict !== 'planned') throw new Error('no plan');
  return job.planResult.plan;
}

/** Every control judged and tried, and the whole vehicle looked at: somebody finds everything right. */
export function provedBy(vehicle: Pick<Vehicle, 'masters' | 'vehicleKind'>): object[] {
  const car = vehicle.vehicleKind === 'car';
  const ofBrake = ['wheels held and free', ...(car ? ['servo gives'] : [])];
  const ofClutch = car
    ? [
        'engages and releases',
        'reverse silent',
        'first and back',
        'no creep',
        'no slip',
        'free play',
      ]
    : ['rolls in gear', 'first without lurch', 'neutral found', 'no slip', 'comes back'];
  const ofVehicle = [
    'joints dry',
    'bleeder caps',
    'level',
    'reservoir cap',
    'wiped dry',
    'lamps out',
    ...(car ? ['wheels'] : []),
  ];
  return [
    ...vehicle.masters.flatMap(({ id: masterId, control }) => {
      const clutch = control.startsWith('clutch');
      const tried = clutch ? [...ofClutch, 'slave and master dry'] : ofBrake;
      return [
        clutch
          ? { kind: 'take-up judged', masterId, takeUp: 'middle' }
          : { kind: 'pedal judged', masterId, result: 'firm and high' },
        ...tried.map((item) => ({ kind: 'checked', item, masterId, passes: true })),
      ];
    }),
    ...ofVehicle.map((item) => ({ kind: 'checked', item, passes: true })),
  ];
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
