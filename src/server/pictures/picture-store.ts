import { createHash } from 'node:crypto';
import type { Pool, PoolConnection, RowDataPacket } from 'mysql2/promise';
import { database } from '../database/pool.ts';
import { ProblemError } from '../http/problem.ts';
import { storeId } from '../store-id.ts';
import { pictureType, type PictureType } from './picture-type.ts';

/** Bytes of a picture, its longer side, and how many there are in all. */
const most = { bytes: 64 * 1024, side: 1024, pictures: 5000 };

/** Keeps a picture. @returns the SHA-256 of its bytes @throws ProblemError 413, 422, or 409 when there are too many */
export async function keepPicture(bytes: Uint8Array): Promise<string> {
  const known = pictureType(bytes);
  const fault = faultOf(known, bytes.byteLength);
  if (!known || fault !== null)
    throw new ProblemError({
      status: bytes.byteLength > most.bytes ? 413 : 422,
      title: 'This is no picture that is kept',
      detail: `${fault}. Nothing was kept. Drop it at Delivery: there it is made smaller and square.`,
    });
  const [rows] = await database().query<RowDataPacket[]>('SELECT COUNT(*) AS many FROM picture WHERE store_id = ?', [
    storeId,
  ]);
  if (Number(rows[0]!.many) >= most.pictures)
    throw new ProblemError({
      status: 409,
      title: 'There are too many pictures',
      detail: `At most ${most.pictures} are kept. Nothing was changed.`,
    });
  return addPicture(database(), bytes);
}

/** Puts down bytes that are a picture. @returns the SHA-256 of them */
export async function addPicture(connection: Pool | PoolConnection, bytes: Uint8Array): Promise<string> {
  const hash = createHash('sha256').update(bytes).digest();
  await connection.query('INSERT IGNORE INTO picture (store_id, hash, type, bytes) VALUES (?, ?, ?, ?)', [
    storeId,
    hash,
    pictureType(bytes)!.type,
    Buffer.from(bytes),
  ]);
  return hash.toString('hex');
}

function faultOf(known: PictureType | null, size: number): string | null {
  if (size > most.bytes) return `A picture has at most ${most.bytes / 1024} kB`;
  if (!known) return 'It is neither PNG nor WebP by its first bytes';
  const { width, height } = known;
  if (width !== height) return `It is ${width} × ${height}, not square`;
  return width < 1 || width > most.side ? `It has at most ${most.side} × ${most.side} dots` : null;
}

/** Null for one that is not kept. @param image the SHA-256 of its bytes */
export async function pictureOf(image: string): Promise<{ type: string; bytes: Buffer } | null> {
  if (!/^[0-9a-f]{64}$/.test(image)) return null;
  const [rows] = await database().query<RowDataPacket[]>(
    'SELECT type, bytes FROM picture WHERE store_id = ? AND hash = ?',
    [storeId, Buffer.from(image, 'hex')],
  );
  return rows[0] ? { type: rows[0].type as string, bytes: rows[0].bytes as Buffer } : null;
}

export const mostBytes = most.bytes;
