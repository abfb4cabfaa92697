import { Router } from 'express';
import { pathId } from '../http/parse';
import { actorOf } from '../session/actor';
import { cardPdf } from './pdf';
import { cardOf } from './service';

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
    const pdf = await cardPdf(drawn, address);
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

/** What may stand in the name of a file. */
const fileWords = (words: string): string => words.replace(/[^A-Za-z0-9]+/g, '-');
