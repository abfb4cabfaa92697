import { Router } from 'express';
import { pathId } from '../../http/parse';
import { actorOf } from '../../session/actor';
import { cardPdf } from './pdf';
import { cardOf } from './service';
import { reservoirTag, wheelTag } from './tag';

/** The card of a job: as JSON by its schema, and on one page to print. */
export function jobCardRoutes(): Router {
  const routes = Router();
  routes.get('/:id/card', async (req, res) => {
    res.json((await cardOf(actorOf(req), pathId(req))).card);
  });
  routes.get('/:id/card.pdf', async (req, res) => {
    const drawn = await cardOf(actorOf(req), pathId(req));
    // The address that this phone itself uses.
    const address = `${req.protocol}://${req.get('host')}/jobs/${pathId(req)}`;
    const pdf = await cardPdf(drawn, address, actorOf(req).units);
    const { jobNumber, vehicle } = drawn.card;
    res
      .type('application/pdf')
      .set(
        'content-disposition',
        `inline; filename="job-${jobNumber}-${fileWords(vehicle.tag)}.pdf"`,
      )
      .send(pdf);
  });
  return routes;
}

/** Tags of a vehicle: one for its wheel, one for its reservoir; the code on them opens the vehicle. */
export function vehicleTagRoutes(): Router {
  const routes = Router();
  for (const [path, tag] of [
    ['/:id/tag-wheel.pdf', wheelTag],
    ['/:id/tag-reservoir.pdf', reservoirTag],
  ] as const)
    routes.get(path, async (req, res) => {
      const address = `${req.protocol}://${req.get('host')}/vehicles/${pathId(req)}`;
      res.type('application/pdf').send(await tag(actorOf(req), pathId(req), address));
    });
  return routes;
}

/** What may stand in the name of a file. */
const fileWords = (words: string): string => words.replace(/[^A-Za-z0-9]+/g, '-');
