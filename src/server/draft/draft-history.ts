import type { RowDataPacket } from 'mysql2/promise';
import type { Operation } from 'rfc6902';
import { policyChanges } from '../../core/changes/changes.ts';
import { isOfOffer } from '../../core/changes/draft-history.ts';
import type { HistoricEdit } from '../../contract/shapes/draft.ts';
import { applyToPolicy } from '../../core/policy/patch.ts';
import { currentVersion } from '../../core/policy/version.ts';
import { reading } from '../database/pool.ts';
import { storeId } from '../store-id.ts';
import { draftRevision, policyAt } from './draft-document.ts';

/** So far back an offer's history is looked for, and so much of it is told. */
const mostLooked = 400;
const mostTold = 40;
/** Patches that are read for it, and how long it may take: long edits end a history sooner. */
const mostBytes = 6_000_000;
const longest = 1500;

/**
 * The edits of an offer and its texts, newest first, each with what it changed. The draft is walked back edit by edit; where
 * that ends, at the beginning or at edits of an earlier version of the schema, the history ends.
 */
export async function offerHistory(
  offer: string,
  language: string,
): Promise<{ edits: HistoricEdit[]; complete: boolean }> {
  return reading(async (pool) => {
    const at = await draftRevision(pool, false);
    if (!at) return { edits: [], complete: true };
    const [sizes] = await pool.query<RowDataPacket[]>(
      'SELECT LENGTH(patch) + LENGTH(inverse) AS bytes FROM draft_edit WHERE store_id = ? AND revision <= ? AND schema_version = ? ORDER BY revision DESC LIMIT ?',
      [storeId, at.revision, currentVersion, mostLooked],
    );
    let bytes = 0;
    const within = sizes.findIndex((row) => (bytes += Number(row.bytes)) > mostBytes);
    const looked = within < 0 ? mostLooked : within;
    const [rows] = await pool.query<RowDataPacket[]>(
      'SELECT revision, kind, state, label, patch, inverse, made_by, made_at FROM draft_edit WHERE store_id = ? AND revision <= ? AND schema_version = ? ORDER BY revision DESC LIMIT ?',
      [storeId, at.revision, currentVersion, looked],
    );
    const until = performance.now() + longest;
    let policy = await policyAt(pool, at);
    const edits: HistoricEdit[] = [];
    for (const row of rows) {
      const before = applyToPolicy(policy, JSON.parse(String(row.inverse)) as Operation[]);
      if (!before.ok || edits.length === mostTold || performance.now() > until) return { edits, complete: false };
      const touches =
        String(row.patch).includes(`/${offer}`) || String(row.inverse).includes(`/${offer}`) || row.kind === 'found';
      const changes = touches
        ? policyChanges(before.policy, policy, language).filter((change) => isOfOffer(change, offer))
        : [];
      if (changes.length > 0)
        edits.push({
          revision: Number(row.revision),
          kind: row.kind as HistoricEdit['kind'],
          state: row.state as HistoricEdit['state'],
          label: String(row.label),
          madeBy: String(row.made_by),
          madeAt: (row.made_at as Date).toISOString(),
          changes,
        });
      policy = before.policy;
    }
    return { edits, complete: within < 0 && rows.length < mostLooked };
  });
}
