import {
  acceptPlan as acceptSchema,
  driveResult,
  endJob as endJobSchema,
  fluidEntry,
  fluidUsed,
  jobQuery,
  moveJob as moveJobSchema,
  newJob,
  override,
  planChoices,
} from '@brook/contract';
import { Router, type Request, type Response } from 'express';
import type { Clock } from '../../http/clock';
import { etag, ifMatch, parse, pathId } from '../../http/parse';
import { actorOf } from '../../session/actor';
import { choosePlan } from './choices';
import { endJob } from './end';
import { putFluidUsed } from './fluidUsed';
import { listJobs } from './list';
import { readFluid } from './readFluid';
import {
  acceptPlan,
  endTestDrive,
  getJob,
  moveJob,
  openJob,
  letGo,
  releaseJob,
  setTestDrive,
} from './service';

export function jobRoutes(clock: Clock): Router {
  const routes = Router();
  const answer = async (req: Request, res: Response, id = pathId(req)) => {
    const job = await getJob(actorOf(req), id, clock.now());
    res.set('etag', etag(job.version)).json(job);
  };

  routes.get('/', async (req, res) => {
    res.json(await listJobs(actorOf(req), parse(jobQuery, req.query)));
  });
  routes.post('/', async (req, res) => {
    const id = await openJob(actorOf(req), parse(newJob, req.body), clock.now());
    res.status(201).location(`/api/v1/jobs/${id}`);
    await answer(req, res, id);
  });
  routes.get('/:id', async (req, res) => answer(req, res));
  routes.put('/:id/vehicle', async (req, res) => {
    const { vehicleId } = parse(moveJobSchema, req.body);
    await moveJob(actorOf(req), pathId(req), ifMatch(req), vehicleId, clock.now());
    await answer(req, res);
  });
  routes.put('/:id/fluid', async (req, res) => {
    await readFluid(
      actorOf(req),
      pathId(req),
      ifMatch(req),
      parse(fluidEntry, req.body),
      clock.now(),
    );
    await answer(req, res);
  });
  routes.put('/:id/plan/choices', async (req, res) => {
    await choosePlan(
      actorOf(req),
      pathId(req),
      ifMatch(req),
      parse(planChoices, req.body),
      clock.now(),
    );
    await answer(req, res);
  });
  routes.post('/:id/plan/accept', async (req, res) => {
    await acceptPlan(
      actorOf(req),
      pathId(req),
      ifMatch(req),
      parse(acceptSchema, req.body ?? {}).lookedAtOpened,
      clock.now(),
    );
    await answer(req, res);
  });
  routes.put('/:id/fluid-used', async (req, res) => {
    await putFluidUsed(
      actorOf(req),
      pathId(req),
      ifMatch(req),
      parse(fluidUsed, req.body),
      clock.now(),
    );
    await answer(req, res);
  });
  routes.post('/:id/test-drive', async (req, res) => {
    await setTestDrive(actorOf(req), pathId(req), ifMatch(req), clock.now());
    await answer(req, res);
  });
  routes.post('/:id/test-drive/result', async (req, res) => {
    await endTestDrive(
      actorOf(req),
      pathId(req),
      ifMatch(req),
      parse(driveResult, req.body).result,
      clock.now(),
    );
    await answer(req, res);
  });
  routes.post('/:id/release', async (req, res) => {
    await releaseJob(actorOf(req), pathId(req), ifMatch(req), clock.now());
    await answer(req, res);
  });
  routes.post('/:id/overrides', async (req, res) => {
    const given = parse(override, req.body);
    await letGo(actorOf(req), pathId(req), ifMatch(req), given, clock.now());
    await answer(req, res);
  });
  routes.post('/:id/end', async (req, res) => {
    await endJob(
      actorOf(req),
      pathId(req),
      ifMatch(req),
      parse(endJobSchema, req.body).reason,
      clock.now(),
    );
    await answer(req, res);
  });
  return routes;
}
