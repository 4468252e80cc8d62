/** Names of all migrations, taken in at build time so that a running server knows what it needs. */
export const migrationNames = Object.keys(
  import.meta.glob('../../../db/migrations/*.sql', { query: '?url', eager: false }),
).map((path) => path.replace(/^.*\/|\.sql$/g, ''));
