import { helpHere, helpQuery, helpSignal, joinHelp, type HelperScreen } from '@brook/contract';
import { HELPER_BEAT_MS } from '@brook/contract/beats';
import { Router, type Response } from 'express';
import type { Clock } from '../../http/clock';
import { parse, pathId } from '../../http/parse';
import { smallBody } from '../../http/readable';
import type { JobNews } from '../live/jobNews';
import { openStream, sendTo } from '../live/stream';
import { actorOf } from '../../session/actor';
import { forgetTries, pairOf, takeTry } from '../../session/tries';
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
    // No sign-in name has a space in it: nobody's tries are these.
    const pair = pairOf('helper code', req.ip);
    await takeTry(pair, clock.now());
    const token = await joinRun(code, name, clock.now());
    await forgetTries(pair);
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
    const { jobId } = await helperIsHere(token, clock.now(), true);
    openStream(res);
    await new HelpLine(res, () => saidTo(token, clock.now())).follow((hear) =>
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
    private readonly read: () => Promise<HelperScreen>,
  ) {}

  async follow(subscribe: (hear: () => void) => () => void): Promise<void> {
    const unsubscribe = subscribe(() => void this.tell());
    const timer = setInterval(() => void this.tell(), HELPER_BEAT_MS);
    this.res.on('close', () => {
      this.closed = true;
      unsubscribe();
      clearInterval(timer);
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
