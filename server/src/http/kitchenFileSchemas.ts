import { ApiProperty, ApiPropertyOptional, type OpenAPIObject } from '@nestjs/swagger';
import { kitchenSchema } from '@portiona/core';

type Schemas = NonNullable<NonNullable<OpenAPIObject['components']>['schemas']>;
type Schema = Schemas[string];

/** What the kitchen file has that the interface takes and gives as it is. */
export type KitchenFileEntry =
  | 'Food'
  | 'Pack'
  | 'Recipe'
  | 'Batch'
  | 'Session'
  | 'Stock'
  | 'Person'
  | 'Week'
  | 'PlannedMeal'
  | 'BatchBoxes'
  | 'SessionBoxes'
  | 'GoneBoxes'
  | 'Brief'
  | 'NamedBrief'
  | 'KitchenVessel'
  | 'LabelSheet'
  | 'CardSettings'
  | 'KitchenFile';

/** Where the interface's description has the schema of an entry of the kitchen file. */
export function schemaOfEntry(entry: KitchenFileEntry): { readonly $ref: string } {
  return { $ref: `#/components/schemas/${entry}` };
}

/** A key that holds what stands in the kitchen file: its schema is that file's own. */
export function FromKitchenFile(entry: KitchenFileEntry, description = 'As in the kitchen file', optional = false): PropertyDecorator {
  return (optional ? ApiPropertyOptional : ApiProperty)({ allOf: [schemaOfEntry(entry)], description });
}

/** A list of entries of the kitchen file. */
export function ListFromKitchenFile(entry: KitchenFileEntry, description: string, optional = false): PropertyDecorator {
  return (optional ? ApiPropertyOptional : ApiProperty)({ type: 'array', items: schemaOfEntry(entry), description });
}

/** The description of the interface with the kitchen file's schemas in it, generated from its classes as its own schema is. */
export function withKitchenFileSchemas(document: OpenAPIObject): OpenAPIObject {
  const { $defs, $schema: _, title: __, ...file } = kitchenSchema();
  const entries = { ...($defs as Schemas), KitchenFile: file as Schema };
  const placed = JSON.parse(JSON.stringify(entries).replaceAll('"#/$defs/', '"#/components/schemas/')) as Schemas;
  return { ...document, components: { ...document.components, schemas: { ...document.components?.schemas, ...placed } } };
}
