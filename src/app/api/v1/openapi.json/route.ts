import { openApiDocument } from '@/core/contracts';
import { version } from '../../../../../package.json';

/** The OpenAPI document, made from the schemas that parse the requests. */
export function GET(): Response {
  return Response.json(openApiDocument(version));
}
