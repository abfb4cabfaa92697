import {
  compatibilityRequest,
  conditionRequest,
  type CompatibilityEntry,
  type CompatibilityReply,
  type ConditionEntry,
  type ConditionReply,
} from '@brook/contract';
import {
  compatibility,
  COMPATIBILITY_WORDS,
  condition,
  CONDITION_WORDS,
  REMEDY_WORDS,
  remedyFor,
} from '@brook/core/fluid/verdict';
import { Router } from 'express';
import { parse } from '../../http/parse';

/** Judgements about fluid; nothing is stored. */
export function fluidRoutes(): Router {
  const routes = Router();
  routes.post('/compatibility', (req, res) => {
    res.json(advise(parse(compatibilityRequest, req.body)));
  });
  routes.post('/condition', (req, res) => {
    res.json(judge(parse(conditionRequest, req.body)));
  });
  return routes;
}

function advise(entry: CompatibilityEntry): CompatibilityReply {
  const answer = compatibility(entry);
  return {
    ...answer,
    candidates: answer.candidates.map((c, i) => {
      const code = remedyFor(entry.candidates[i]!, entry);
      return {
        ...c,
        sentences: c.reasons.map((r) => COMPATIBILITY_WORDS[r.code]),
        remedy: code && { code, sentence: REMEDY_WORDS[code] },
      };
    }),
  };
}

function judge(entry: ConditionEntry): ConditionReply {
  const answer = condition(entry);
  return { ...answer, sentences: answer.reasons.map((r) => CONDITION_WORDS[r.code]) };
}
