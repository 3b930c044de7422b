import type { OpenAPIObject } from '@nestjs/swagger';
import { RULE_EXTENSION } from '../scope/needs.js';

const METHODS = ['get', 'post', 'put', 'patch', 'delete'] as const;
const KITCHEN = { name: 'kitchen', in: 'path' as const, required: true, description: 'The kitchen’s key', schema: { type: 'string' } };

/** The document with the kitchen said where an address carries one. @throws Error that names each route without a rule */
export function withRules(document: OpenAPIObject): OpenAPIObject {
  const unruled: string[] = [];
  const paths = Object.entries(document.paths).map(([path, item]) => {
    for (const method of METHODS) {
      const operation = item[method] as Readonly<Record<string, unknown>> | undefined;
      if (operation && operation[RULE_EXTENSION] === undefined) unruled.push(`${method.toUpperCase()} ${path}`);
    }
    return [path, path.includes('{kitchen}') ? { ...item, parameters: [KITCHEN] } : item] as const;
  });
  if (unruled.length > 0) throw new Error(`these routes say nobody who may ask them: ${unruled.join(', ')}`);
  return { ...document, paths: Object.fromEntries(paths) };
}
