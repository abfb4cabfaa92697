import { Router } from 'express';
import { actorOf } from '../../session/actor';
import { overviewOf } from './service';

/** What stands open in the workshop, on one page. */
export function overviewRoutes(): Router {
  const routes = Router();
  routes.get('/', async (req, res) => {
    res.json(await overviewOf(actorOf(req)));
  });
  return routes;
}
