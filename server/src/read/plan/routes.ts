import { planPreviewRequest, type PlanPreviewRequest } from '@brook/contract';
import { previewPlan, rulesForPlan } from '@brook/core/bleed/plan';
import { Router } from 'express';
import { parse } from '../../http/parse';
import { houseRulesOf } from '../../workshop/rules/service';
import { actorOf } from '../../session/actor';

export function planRoutes(): Router {
  const routes = Router();
  routes.post('/preview', async (req, res) => {
    const { work, preferences, ...asked } = parse(
      planPreviewRequest,
      req.body,
    ) as PlanPreviewRequest;
    const rules = rulesForPlan(await houseRulesOf(actorOf(req)));
    const own = Object.fromEntries(
      Object.entries(preferences).filter(([, value]) => value !== undefined),
    );
    res.json(
      previewPlan({ ...asked, ...(work ? { work } : {}), preferences: { ...rules, ...own } }),
    );
  });
  return routes;
}
