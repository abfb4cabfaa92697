import { houseRules } from '@brook/contract';
import { Router, type Request, type Response } from 'express';
import { etag, ifMatch, parse } from '../http/parse';
import { proposeAmounts } from './paces/rows';
import { actorOf } from '../session/actor';
import { changeHouseRules, getHouseRules } from './rules/service';

/** What the workshop decided for itself. */
export function houseRulesRoutes(): Router {
  const routes = Router();
  const answer = async (req: Request, res: Response) => {
    const page = await getHouseRules(actorOf(req));
    res.set('etag', etag(page.version)).json(page);
  };
  routes.get('/', answer);
  routes.get('/paces', async (req, res) => {
    res.json(await proposeAmounts(actorOf(req)));
  });
  routes.put('/', async (req, res) => {
    await changeHouseRules(actorOf(req), ifMatch(req), parse(houseRules, req.body));
    await answer(req, res);
  });
  return routes;
}
