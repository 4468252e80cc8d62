/**
 * The text that another server answers with.
 *
 * @param most bytes; where it has more, the rest is not read
 * @throws RangeError where it has more
 */
export async function boundedText({ body }: Response, most: number): Promise<string> {
  const chunks: Uint8Array[] = [];
  let size = 0;
  // Leaving the loop early closes the connection.
  for await (const chunk of (body as unknown as AsyncIterable<Uint8Array> | null) ?? []) {
    size += chunk.byteLength;
    if (size > most) throw new RangeError(`more than ${most} bytes`);
    chunks.push(chunk);
  }
  return Buffer.concat(chunks).toString('utf8');
}
