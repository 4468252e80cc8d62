/** Test carts by id, as a file or a link brings them; a policy holds them in the same form. */
export const testCartsSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  type: 'object',
  maxProperties: 200,
  propertyNames: { $ref: '#/$defs/id' },
  additionalProperties: { $ref: '#/$defs/testCart' },
} as const;
