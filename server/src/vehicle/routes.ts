import { layout, makerEntry, newVehicle, pageQuery, wholeQuery } from '@brook/contract';
import type { Layout } from '@brook/core/vehicle/circuit';
import { Router } from 'express';
import type { Clock } from '../http/clock';
import { etag, ifMatch, parse, pathId } from '../http/parse';
import { actorOf } from '../session/actor';
import { controlsOfVehicle } from '../journal/rows/controls';
import { notesOfVehicle } from '../media/service';
import { pacesOfVehicle } from '../workshop/paces/rows';
import { vehicleHistoryOf } from './history';
import { changeLayout } from './layout';
import { addVehicle, changeMakerEntry, getVehicle, listVehicles } from './service';

export function vehicleRoutes(clock: Clock): Router {
  const routes = Router();
  routes.get('/', async (req, res) => {
    res.json(await listVehicles(actorOf(req), parse(wholeQuery, req.query)));
  });
  routes.post('/', async (req, res) => {
    const { id } = await addVehicle(actorOf(req), parse(newVehicle, req.body));
    const vehicle = await getVehicle(actorOf(req), id);
    res
      .status(201)
      .location(`/api/v1/vehicles/${id}`)
      .set('etag', etag(vehicle.version))
      .json(vehicle);
  });
  routes.get('/:id', async (req, res) => {
    const vehicle = await getVehicle(actorOf(req), pathId(req));
    res.set('etag', etag(vehicle.version)).json(vehicle);
  });
  routes.get('/:id/history', async (req, res) => {
    const page = parse(wholeQuery, req.query);
    res.json(await vehicleHistoryOf(actorOf(req), pathId(req), page));
  });
  routes.get('/:id/paces', async (req, res) => {
    const page = parse(pageQuery, req.query);
    res.json(await pacesOfVehicle(actorOf(req), pathId(req), page));
  });
  routes.get('/:id/notes', async (req, res) => {
    const page = parse(wholeQuery, req.query);
    res.json(await notesOfVehicle(actorOf(req), pathId(req), page));
  });
  routes.get('/:id/controls', async (req, res) => {
    const page = parse(wholeQuery, req.query);
    res.json(await controlsOfVehicle(actorOf(req), pathId(req), page));
  });
  routes.put('/:id/layout', async (req, res) => {
    await changeLayout(
      actorOf(req),
      pathId(req),
      ifMatch(req),
      parse(layout, req.body) as Layout,
      clock.now(),
    );
    const vehicle = await getVehicle(actorOf(req), pathId(req));
    res.set('etag', etag(vehicle.version)).json(vehicle);
  });
  routes.put('/:id/maker-entry', async (req, res) => {
    await changeMakerEntry(actorOf(req), pathId(req), ifMatch(req), parse(makerEntry, req.body));
    const vehicle = await getVehicle(actorOf(req), pathId(req));
    res.set('etag', etag(vehicle.version)).json(vehicle);
  });
  return routes;
}
