import { z } from 'zod';
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

/** The OpenAPI 3.0 document of the solvers, made from the schemas that parse them. */
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
      title: 'Zesty Hound solvers',
      version,
      description:
        'Runout, thickness, indexing and machining of brake rotors. An aid to a licensed technician: the maker\u2019s service information and local rules come first.',
    },
    paths,
  };
}
