import {
  countContainer as countSchema,
  discardContainer as discardSchema,
  newContainers,
  openContainer as openSchema,
  recallQuery,
  wholeQuery,
} from '@brook/contract';
import { Router } from 'express';
import type { Clock } from '../http/clock';
import { etag, ifMatch, parse, pathId } from '../http/parse';
import { houseRulesOf } from '../workshop/rules/service';
import { actorOf } from '../session/actor';
import { containerDto } from './containers';
import {
  addContainers,
  countContainer,
  discardContainer,
  getShelf,
  openContainer,
  recallBatch,
} from './service';

/** Containers of fluid, and where their batches went. */
export function shelfRoutes(clock: Clock): Router {
  const routes = Router();
  routes.get('/', async (req, res) => {
    res.json(await getShelf(actorOf(req), parse(wholeQuery, req.query), clock.now()));
  });
  routes.post('/', async (req, res) => {
    const rows = await addContainers(actorOf(req), parse(newContainers, req.body), clock.now());
    const { openContainers } = await houseRulesOf(actorOf(req));
    res
      .status(201)
      .json(
        rows.map((row) =>
          containerDto({ row, leftMl: row.sizeMl, overdrawnMl: 0 }, clock.now(), openContainers),
        ),
      );
  });
  routes.get('/recall', async (req, res) => {
    const { batch, ...page } = parse(recallQuery, req.query);
    res.json(await recallBatch(actorOf(req), batch, page));
  });
  routes.post('/:id/open', async (req, res) => {
    const changed = await openContainer(
      actorOf(req),
      pathId(req),
      ifMatch(req),
      parse(openSchema, req.body),
      clock.now(),
    );
    res.set('etag', etag(changed.version)).json(changed);
  });
  routes.post('/:id/count', async (req, res) => {
    const changed = await countContainer(
      actorOf(req),
      pathId(req),
      ifMatch(req),
      parse(countSchema, req.body).leftMl,
      clock.now(),
    );
    res.set('etag', etag(changed.version)).json(changed);
  });
  routes.post('/:id/discard', async (req, res) => {
    const changed = await discardContainer(
      actorOf(req),
      pathId(req),
      ifMatch(req),
      parse(discardSchema, req.body).caught,
      clock.now(),
    );
    res.set('etag', etag(changed.version)).json(changed);
  });
  return routes;
}
