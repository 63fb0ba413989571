import * as z from 'zod';
import { contract } from './contract';
import { isRaw, type Access, type Endpoint, type Raw } from './endpoint';
import { problem } from './problem';

/** Who may ask, in words. */
export const ACCESS_WORDS = {
  anyone: 'anyone who reaches the server',
  phone: 'phones that were added, and the machine on which the server runs',
  phoneLeaving: 'those, and a phone that was put out, for a while, to hand over what waits on it',
  manager: "that machine, and phones on which the manager's code was entered",
  managerAlone: "whoever has entered the manager's code, on whatever machine",
} as const satisfies Record<Access, string>;

/** JSON of any shape; the document is made for machines outside. */
type Json = Record<string, unknown>;

/** OpenAPI 3.1 of the whole interface, made from the contract: nothing in it is written by hand. */
export function openApiDocument(): Json {
  const paths: Record<string, Json> = {};
  for (const [operationId, endpoint] of Object.entries(contract) as [string, Endpoint][]) {
    const path = endpoint.path.replace(/:(\w+)/g, '{$1}');
    (paths[path] ??= {})[endpoint.method] = operation(operationId, endpoint);
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Joy Lap', version: '1' },
    paths,
    components: { schemas: { Problem: schemaOf(problem) } },
  };
}

function operation(operationId: string, endpoint: Endpoint): Json {
  const refusals = new Set([
    ...(endpoint.body || endpoint.params ? [400] : []),
    ...(endpoint.access === 'anyone' ? [] : [403]),
    ...(endpoint.refusals ?? []),
  ]);
  const parameters = [...parametersIn('path', endpoint.params), ...parametersIn('query', endpoint.query)];
  return {
    operationId,
    summary: endpoint.summary,
    description: `For ${ACCESS_WORDS[endpoint.access]}.`,
    ...(parameters.length > 0 && { parameters }),
    ...(endpoint.body && { requestBody: { required: true, content: contentOf(endpoint.body) } }),
    responses: {
      [String(endpoint.status ?? 200)]: {
        description: 'Done',
        content: contentOf(endpoint.reply),
      },
      ...Object.fromEntries(
        [...refusals].map((status) => [
          String(status),
          {
            description: 'Refused',
            content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
          },
        ]),
      ),
    },
  };
}

function parametersIn(place: 'path' | 'query', object: z.ZodObject | undefined): Json[] {
  return Object.entries(object?.shape ?? {}).map(([name, schema]) => ({
    name,
    in: place,
    required: place === 'path',
    schema: schemaOf(schema as z.ZodType),
  }));
}

function contentOf(part: z.ZodType | Raw): Json {
  return isRaw(part)
    ? { [part.media]: { schema: { type: 'string', format: 'binary' } } }
    : { 'application/json': { schema: schemaOf(part) } };
}

/** The schema of what travels: the encoded side of every codec. */
function schemaOf(schema: z.ZodType): Json {
  const { $schema: _, ...json } = z.toJSONSchema(schema, { io: 'input', target: 'draft-2020-12' });
  return json;
}
