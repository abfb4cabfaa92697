import { helpHere, helpQuery, helpSignal, joinHelp, type HelperScreen } from '@brook/contract';
import { HELPER_BEAT_MS } from '@brook/contract/beats';
import { Router, type Response } from 'express';
import type { Clock } from '../../http/clock';
import { parse, pathId } from '../../http/parse';
import { smallBody } from '../../http/readable';
import type { JobNews } from '../live/jobNews';
import { takeLine, type OpenLine } from '../live/lines';
import { openStream, sendTo } from '../live/stream';
import { actorOf } from '../../session/actor';
import { tryCode } from '../../session/tries';
import { hearSignal, helperIsHere, joinRun, saidOn, saidTo } from './call';
import { endLink, makeLink, wrenchIsHere } from '../live/links';

/** The link of a helper's phone, as the technician makes and ends it. */
export function helperLinkRoutes(clock: Clock): Router {
  const routes = Router();
  routes.post('/:id/helper', async (req, res) => {
    res.status(201).json({ code: await makeLink(actorOf(req), pathId(req), clock.now()) });
  });
  routes.delete('/:id/helper', async (req, res) => {
    await endLink(actorOf(req), pathId(req), clock.now());
    res.status(204).end();
  });
  routes.post('/:id/helper/here', async (req, res) => {
    await wrenchIsHere(actorOf(req), pathId(req), clock.now());
    res.status(204).end();
  });
  return routes;
}

/** The helper's phone itself: no account, one run, and nothing of it but the present call. */
export function helpRoutes({ clock, news }: { clock: Clock; news: JobNews }): Router {
  const routes = Router();
  routes.post('/', ...smallBody, async (req, res) => {
    const { code, name } = parse(joinHelp, req.body);
    const at = clock.now();
    const tried = { code, address: req.ip };
    const token = await tryCode('helper code', tried, at, () => joinRun(code, name, at));
    res.status(201).json({ token });
  });
  routes.post('/here', ...smallBody, async (req, res) => {
    const { token } = parse(helpHere, req.body);
    res.json(await saidOn(await helperIsHere(token, clock.now()), clock.now()));
  });
  routes.post('/signal', ...smallBody, async (req, res) => {
    res.json(await hearSignal(parse(helpSignal, req.body), clock.now()));
  });
  routes.get('/live', async (req, res) => {
    const { token } = parse(helpQuery, req.query);
    const { id: person, jobId, workshopId } = await helperIsHere(token, clock.now(), true);
    const line = await takeLine({ workshopId, person }, clock.now());
    if (!line) {
      res.status(204).end();
      return;
    }
    openStream(res);
    await new HelpLine(res, line, clock, () => saidTo(token, clock.now())).follow((hear) =>
      news.subscribe(jobId, hear),
    );
  });
  return routes;
}

/** One open line to a helper's phone: what it shows, whenever that changes, and a beat besides. */
class HelpLine {
  private reading = false;
  private stale = false;
  private closed = false;

  constructor(
    private readonly res: Response,
    private readonly line: OpenLine,
    private readonly clock: Clock,
    private readonly read: () => Promise<HelperScreen>,
  ) {}

  async follow(subscribe: (hear: () => void) => () => void): Promise<void> {
    if (this.res.destroyed) return this.line.end();
    const unsubscribe = subscribe(() => void this.tell());
    const timer = setInterval(() => {
      void this.line.beat(this.clock.now()).catch(() => undefined);
      void this.tell();
    }, HELPER_BEAT_MS);
    this.res.on('close', () => {
      this.closed = true;
      unsubscribe();
      clearInterval(timer);
      void this.line.end();
    });
    await this.tell();
  }

  private async tell(): Promise<void> {
    this.stale = true;
    if (this.reading) return;
    this.reading = true;
    try {
      while (this.stale && !this.closed) {
        this.stale = false;
        sendTo(this.res, 'said', await this.read());
      }
    } catch {
      // The link has ended, or the record cannot be reached: the phone asks anew and is told which.
      this.res.end();
    } finally {
      this.reading = false;
    }
  }
}
