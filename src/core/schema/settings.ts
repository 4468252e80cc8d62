/** How Ajv reads the project's schemas, wherever it does. */
export const schemaSettings = {
  strict: true,
  strictTypes: false,
  strictRequired: false,
  discriminator: true,
  /** errors carry the schema that was not met, from which its words are made */
  verbose: true,
} as const;
