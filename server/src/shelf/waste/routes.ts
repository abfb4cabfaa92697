import { newHandOver, pageQuery } from '@brook/contract';
import { Router } from 'express';
import type { Clock } from '../../http/clock';
import { parse } from '../../http/parse';
import { actorOf } from '../../session/actor';
import { getWaste, handedOver, handOverDrum, wentIn } from './service';

/** The waste drum. */
export function wasteRoutes(clock: Clock): Router {
  const routes = Router();
  routes.get('/', async (req, res) => {
    res.json(await getWaste(actorOf(req)));
  });
  routes.get('/entries', async (req, res) => {
    res.json(await wentIn(actorOf(req), parse(pageQuery, req.query)));
  });
  routes.get('/hand-overs', async (req, res) => {
    res.json(await handedOver(actorOf(req), parse(pageQuery, req.query)));
  });
  routes.post('/hand-overs', async (req, res) => {
    await handOverDrum(actorOf(req), parse(newHandOver, req.body), clock.now());
    res.status(201).json(await getWaste(actorOf(req)));
  });
  return routes;
}
