import { OPERATIONS, openApi } from '@brook/contract/openapi';
import Ajv2020, { type ValidateFunction } from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import type { RequestHandler } from 'express';

let validators: Map<string, ValidateFunction> | null = null;

/** What the document says of each schema, as a reference validator reads it. */
function validator(name: string): ValidateFunction {
  if (!validators) validators = new Map();
  const known = validators.get(name);
  if (known) return known;
  const made = documented().getSchema(`brook#/components/schemas/${name}`);
  if (!made) throw new Error(`the document has no ${name}`);
  validators.set(name, made);
  return made;
}

let ajv: Ajv2020 | null = null;

function documented(): Ajv2020 {
  if (ajv) return ajv;
  ajv = new Ajv2020({ strict: false, allErrors: false });
  addFormats(ajv);
  ajv.addSchema({ $id: 'brook', ...openApi() });
  return ajv;
}

const ROUTES = OPERATIONS.map((o) => ({
  ...o,
  matches: new RegExp(`^/api/v1${o.path.replace('{id}', '[^/]+')}$`),
}));

/** Holds every answer against the document and tells what does not agree. */
export function checkAnswers(disagree: (sentence: string) => void): RequestHandler {
  return (req, res, next) => {
    res.json = (body: unknown) => {
      const text = JSON.stringify(body);
      const path = req.originalUrl.split('?')[0]!;
      const route = ROUTES.find(
        (o) => o.method === req.method.toLowerCase() && o.matches.test(path),
      );
      if (!route && res.statusCode < 400) disagree(`${req.method} ${path} is not in the document`);
      if (route?.gives && res.statusCode < 400) {
        const valid = validator(route.gives);
        if (!valid(JSON.parse(text))) {
          const error = valid.errors!.at(-1)!;
          disagree(
            `${req.method} ${route.path}: ${route.gives}${error.instancePath} ${error.message} ${JSON.stringify(error.params)}`,
          );
        }
      }
      return res.type('json').send(text);
    };
    next();
  };
}
