import type { Pool, PoolConnection, RowDataPacket } from 'mysql2/promise';
import type { About, Comment, NewComment, News } from '../../contract/shapes/together.ts';
import { inTransaction, reading } from '../database/pool.ts';
import { isRandomId, randomId } from '../random-id.ts';
import { storeId } from '../store-id.ts';

const idLength = 12;
/** So many are kept. */
const mostKept = 20_000;
const mostOfOne = 500;
/** Pages are told of so many things. */
const mostTold = 1000;

const columns = 'id, said, made_by, made_at, done_by, done_at';
const commentFrom = (row: RowDataPacket): Comment => ({
  id: String(row.id),
  said: String(row.said),
  madeBy: String(row.made_by),
  madeAt: (row.made_at as Date).toISOString(),
  done: row.done_at === null ? null : { by: String(row.done_by), at: (row.done_at as Date).toISOString() },
});

/** What is not done first, then the newest first. */
export const commentsOn = ({ kind, about }: About): Promise<Comment[]> =>
  reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>(
      `SELECT ${columns} FROM comment WHERE store_id = ? AND kind = ? AND about = ? ORDER BY done_at IS NOT NULL, made_at DESC, id LIMIT ?`,
      [storeId, kind, about, mostOfOne],
    );
    return rows.map(commentFrom);
  });

const commentIn = async (reader: PoolConnection, id: string): Promise<Comment | null> => {
  const [[row]] = await reader.query<RowDataPacket[]>(`SELECT ${columns} FROM comment WHERE store_id = ? AND id = ?`, [
    storeId,
    id,
  ]);
  return row ? commentFrom(row) : null;
};

/** @returns null where there are as many as are kept */
export const addComment = ({ kind, about, said }: NewComment, madeBy: string): Promise<Comment | null> =>
  inTransaction(async (connection) => {
    const [[counted]] = await connection.query<RowDataPacket[]>(
      'SELECT COUNT(*) AS total, COALESCE(SUM(kind = ? AND about = ?), 0) AS ofOne FROM comment WHERE store_id = ?',
      [kind, about, storeId],
    );
    if (Number(counted!.total) >= mostKept || Number(counted!.ofOne) >= mostOfOne) return null;
    const id = randomId(idLength);
    await connection.query(
      'INSERT INTO comment (store_id, id, kind, about, said, made_by, made_at) VALUES (?, ?, ?, ?, ?, ?, UTC_TIMESTAMP(3))',
      [storeId, id, kind, about, said.trim(), madeBy],
    );
    return commentIn(connection, id);
  });

/** One that is done already stays done by whom it was. @returns null where there is none */
export const setCommentDone = (id: string, done: boolean, by: string): Promise<Comment | null> =>
  inTransaction(async (connection) => {
    if (!isRandomId(id, idLength)) return null;
    await connection.query(
      done
        ? 'UPDATE comment SET done_by = ?, done_at = UTC_TIMESTAMP(3) WHERE store_id = ? AND id = ? AND done_at IS NULL'
        : 'UPDATE comment SET done_by = NULL, done_at = NULL WHERE store_id = ? AND id = ?',
      done ? [by, storeId, id] : [storeId, id],
    );
    return commentIn(connection, id);
  });

/** Things with comments that are not done. */
export async function openCommentsIn(pool: Pool): Promise<News['comments']> {
  const [rows] = await pool.query<RowDataPacket[]>(
    'SELECT kind, about, COUNT(*) AS open FROM comment WHERE store_id = ? AND done_at IS NULL GROUP BY kind, about ORDER BY kind, about LIMIT ?',
    [storeId, mostTold],
  );
  return rows.map(({ kind, about, open }) => ({
    kind: kind as About['kind'],
    about: String(about),
    open: Number(open),
  }));
}
