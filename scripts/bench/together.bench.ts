import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { DraftChanges } from '../../src/contract/shapes/draft.ts';
import type { News } from '../../src/contract/shapes/together.ts';
import { startApplication } from '../../tests/support/application.ts';
import { listen } from '../../tests/support/listen.ts';
import { firstLinkOf, inviteBy, joinBy } from '../../tests/support/people.ts';
import { quantile, type Bar } from './bar.ts';

const people = 20;
const edits = 60;
/** From one edit to the next. ms */
const pause = 500;

/** How long it takes from the sending of an edit until everybody else has been told of it and has it. */
export async function bars(): Promise<Bar[]> {
  const data = await mkdtemp(join(tmpdir(), 'summant-bench-'));
  const application = await startApplication({ SUMMANT_DATA: data, DATABASE_URL: '' });
  const { address, said } = application;
  try {
    const own = await joinBy(address, await firstLinkOf(said), 'one@example.com', 'One');
    const cookies = [];
    for (let one = 0; one < people; one++)
      cookies.push(await joinBy(address, await inviteBy(address, own, 'look', `P ${one}`), `p${one}@example.com`));
    const revisionSince = async (cookie: string, since: number): Promise<number> => {
      const response = await fetch(`${address}/api/draft?since=${since}`, { headers: { cookie } });
      return ((await response.json()) as DraftChanges).revision;
    };
    const first = await revisionSince(own, 0);
    const began = new Map<number, number>();
    const took: number[] = [];
    const there = cookies.map((cookie) => {
      let known = first;
      return listen(address, cookie, (news: News) => {
        if (news.draft <= known) return;
        const from = known;
        known = news.draft;
        void revisionSince(cookie, from).then(() => {
          for (let at = from + 1; at <= news.draft; at++) took.push(performance.now() - began.get(at)!);
        });
      });
    });
    await new Promise((resolve) => setTimeout(resolve, 2000));
    for (let edit = 0; edit < edits; edit++) {
      began.set(first + edit + 1, performance.now());
      const { status } = await fetch(`${address}/api/draft`, {
        method: 'PATCH',
        headers: { cookie: own, 'if-match': `"draft-${first + edit}"`, 'content-type': 'application/json-patch+json' },
        body: JSON.stringify([
          { op: 'replace', path: '/offers/free-delivery/goals/first/targets/uk/exact', value: 5001 + edit },
        ]),
      });
      if (status !== 200) throw new Error(`an edit was answered ${status}`);
      await new Promise((resolve) => setTimeout(resolve, pause));
    }
    await new Promise((resolve) => setTimeout(resolve, 2000));
    for (const one of there) await one.close();
    const missing = edits * people - took.length;
    const [middle, slow] = [quantile(took, 0.5), quantile(took, 0.95)];
    return [
      {
        name: `an edit on the screens of ${people} others, 95 %`,
        measured: `${Math.round(slow)} ms (half ${Math.round(middle)}; ${missing} missing)`,
        required: 'under 1000 ms',
        held: slow < 1000 && missing <= 0,
      },
    ];
  } finally {
    await application.stop();
    await rm(data, { recursive: true, force: true });
  }
}
