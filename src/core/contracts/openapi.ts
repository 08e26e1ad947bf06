import { z } from 'zod';
import { ROUTES_TOLD, type RouteTold } from './openApiRoutes';
import { SOLVERS } from './solvers';

const ERROR_SCHEMA = {
  type: 'object',
  required: ['error'],
  properties: {
    error: {
      type: 'object',
      required: ['code', 'message', 'path'],
      properties: {
        code: { type: 'string' },
        message: { type: 'string' },
        path: { type: 'string' },
      },
    },
  },
} as const;

const json = (schema: unknown): { content: { 'application/json': { schema: unknown } } } => ({
  content: { 'application/json': { schema } },
});

const toSchema = (schema: z.ZodType, io: 'input' | 'output'): unknown =>
  z.toJSONSchema(schema, { target: 'openapi-3.0', io });

/** Parts of a path in braces, each as a parameter. */
const partsOf = (path: string): unknown[] =>
  [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({
    ...{ name, in: 'path', required: true, schema: { type: 'string' } },
  }));

const queryOf = ({ query = {} }: RouteTold): unknown[] =>
  Object.entries(query).map(([name, schema]) => ({
    ...{ name, in: 'query', required: !schema.safeParse(undefined).success },
    schema: toSchema(schema, 'input'),
  }));

/** One route as the document tells of it. */
const routeOf = (route: RouteTold): Record<string, unknown> => ({
  operationId: `${route.method}-${route.path.replace(/[^\w]+/g, '-').replace(/^-|-$/g, '')}`,
  summary: route.summary,
  parameters: [...partsOf(route.path), ...queryOf(route)],
  ...(route.body && { requestBody: { required: true, ...json(toSchema(route.body, 'input')) } }),
  responses: {
    200: {
      description: route.summary,
      content: { [route.type]: { schema: route.answer ? toSchema(route.answer, 'output') : {} } },
    },
    default: { description: 'Refused, in words.', ...json(ERROR_SCHEMA) },
  },
});

/** The other routes that programs may use, by path and method. */
function otherPaths(): Record<string, Record<string, unknown>> {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const route of ROUTES_TOLD) {
    paths[route.path] = { ...paths[route.path], [route.method]: routeOf(route) };
  }
  return paths;
}

/** The OpenAPI 3.0 document of what other programs may use, made from the schemas that parse it. */
export function openApiDocument(version: string): Record<string, unknown> {
  const paths = Object.fromEntries(
    SOLVERS.map((solver) => [
      `/api/v1/solve/${solver.name}`,
      {
        post: {
          operationId: `solve-${solver.name}`,
          summary: solver.summary,
          requestBody: { required: true, ...json(toSchema(solver.input, 'input')) },
          responses: {
            200: {
              description: 'The answer. Lengths in \u00b5m, angles in degrees.',
              ...json(toSchema(solver.output, 'output')),
            },
            400: { description: 'The input was refused.', ...json(ERROR_SCHEMA) },
          },
        },
      },
    ]),
  );
  return {
    openapi: '3.0.3',
    info: {
      title: 'Zesty Hound',
      version,
      description:
        'Runout, thickness, indexing and machining of brake rotors. An aid to a licensed technician: the maker\u2019s service information and local rules come first.',
    },
    // On the network a program shows a key of its own; on one machine nobody does.
    security: [{}, { key: [] }],
    components: { securitySchemes: { key: { type: 'http', scheme: 'bearer' } } },
    paths: { ...paths, ...otherPaths() },
  };
}
