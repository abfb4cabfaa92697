import type { HelpSignal, Job } from '@brook/contract';
import { ApiDriver, planOfJob, type Answer, type Method } from '@brook/contract/apiDriver';
import { DEMO_SIGN_IN } from '@brook/demo';
import { randomUUID } from 'node:crypto';
import type { APIRequestContext } from 'playwright-core';

/** What is prepared through the API, on vehicles of its own. */
export class Desk extends ApiDriver {
  constructor(
    private readonly request: APIRequestContext,
    private readonly url: string,
  ) {
    const deviceId = randomUUID();
    super({
      nextId: randomUUID,
      deviceId: () => deviceId,
      saidFromMs: (count) => Date.now() - 1_000 * count,
      everyMs: 1_000,
    });
  }

  protected override async answer(
    method: Method,
    path: string,
    body?: object,
    version?: number,
  ): Promise<Answer> {
    const res = await this.request.fetch(`${this.url}/api/v1${path}`, {
      method,
      ...(body ? { data: body } : {}),
      headers: version === undefined ? {} : { 'if-match': `"${version}"` },
    });
    return { status: res.status(), body: await res.json() };
  }

  signIn(): Promise<unknown> {
    return this.ask('post', '/session', DEMO_SIGN_IN);
  }

  /** A routine hatchback with a helper, its plan accepted. */
  async newRun(): Promise<Job> {
    const vehicle = await this.addVehicle('hatchback-diagonal', 'right', 'Bench hatchback');
    await this.shelve();
    return this.accept(await this.readFluid(await this.openJob(vehicle)));
  }

  async helper(job: Job): Promise<HelperPhone> {
    const { code } = await this.ask<{ code: string }>('post', `/jobs/${job.id}/helper`);
    return this.join(code, job);
  }

  async join(code: string, job: Job): Promise<HelperPhone> {
    const { token } = await this.ask<{ token: string }>('post', '/help', { code, name: 'Ana' });
    return new HelperPhone(this, token, planOfJob(job).openings[0]!.id);
  }
}

interface HelperAnswer {
  readonly view: { readonly kind: string; readonly openingId?: string };
}

/** A helper's phone without a screen. */
class HelperPhone {
  constructor(
    private readonly desk: Desk,
    private readonly token: string,
    private openingId: string,
  ) {}

  tap(signal: HelpSignal['signal']): Promise<HelperAnswer> {
    const { token, openingId } = this;
    return this.desk.ask('post', '/help/signal', { token, id: randomUUID(), openingId, signal });
  }

  /** One stroke, where one is called for. */
  async stroke(): Promise<boolean> {
    const { view } = await this.desk.ask<HelperAnswer>('post', '/help/here', { token: this.token });
    if (view.kind !== 'call') return false;
    this.openingId = view.openingId!;
    await this.tap('at the end');
    await this.tap('shut');
    return true;
  }
}
