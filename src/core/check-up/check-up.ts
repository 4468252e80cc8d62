import { inTurns } from '../in-steps.ts';
import type { CheckedUp, Finding, Found, Severity, Unexamined } from './finding.ts';
import type { Examined, FindingKind } from './kind.ts';
import { findingKinds } from './registry.ts';

const rank: Record<Severity, number> = { wrong: 0, risky: 1, remark: 2 };

/** In which a finding’s sentence is kept with it where it is accepted, whoever reads it in whichever. */
const keptLocale = 'en-GB';

/** Everything that the check-up has to say of a policy. */
export const checkUp = (examined: Examined): CheckedUp => checkUpFor(examined, findingKinds.all);

/** Of what is looked for only guarantees, or all but these: of a large store they take longest. */
type Part = 'guarantees' | 'others';

const kindsOf = (part: Part): FindingKind[] =>
  findingKinds.all.filter(({ firm = false }) => firm === (part === 'guarantees'));

export const checkUpPart = (examined: Examined, part: Part): CheckedUp => checkUpFor(examined, kindsOf(part));

const checkUpFor = (examined: Examined, kinds: readonly FindingKind[]): CheckedUp =>
  judged(examined, lookedThrough(examined, kinds));

/**
 * The same, one kind of finding after the other, and what takes long in steps.
 *
 * @param turn awaited between them: others have their turn @param part of what is looked for; all of it when not given
 */
export async function checkUpInTurns(
  examined: Examined,
  turn: () => Promise<boolean | void>,
  part?: Part,
): Promise<CheckedUp> {
  const all: CheckedUp = { findings: [], notExamined: [] };
  for (const kind of part ? kindsOf(part) : findingKinds.all) {
    await turn();
    sortInto(all, kind, kind.findInSteps ? await inTurns(kind.findInSteps(examined), turn) : kind.find(examined));
  }
  return judged(examined, all);
}

/** The worst first, and what is accepted as such. */
function judged(examined: Examined, { findings, notExamined }: CheckedUp): CheckedUp {
  const accepted = examined.compiled.policy.accepted ?? {};
  for (const finding of findings) {
    const known = Object.hasOwn(accepted, finding.id) ? accepted[finding.id]! : null;
    if (known && !finding.firm && keptSentence(examined, finding) === known.sentence) finding.accepted = known.reason;
  }
  findings.sort((a, b) => rank[a.severity] - rank[b.severity]);
  return { findings, notExamined };
}

/** What a finding says, as it is kept where it is accepted: when it says something else it is not accepted any more. */
export function keptSentence(examined: Examined, { id, kind, sentence }: Finding): string {
  if (examined.locale === keptLocale) return sentence;
  const { findings } = lookedThrough({ ...examined, locale: keptLocale }, [findingKinds.of(kind)]);
  return findings.find((finding) => finding.id === id)?.sentence ?? sentence;
}

function lookedThrough(examined: Examined, kinds: readonly FindingKind[]): CheckedUp {
  const all: CheckedUp = { findings: [], notExamined: [] };
  for (const kind of kinds) sortInto(all, kind, kind.find(examined));
  return all;
}

function sortInto(
  { findings, notExamined }: CheckedUp,
  { kind, stop, firm = false }: FindingKind,
  all: readonly (Found | Unexamined)[],
): void {
  for (const found of all) {
    if ('because' in found) notExamined.push({ ...found, kind, stop });
    else findings.push({ ...found, id: idOf(kind, found), kind, stop, firm, accepted: null });
  }
}

const idOf = (kind: string, { at, key }: Found): string => [kind, at, ...(key === undefined ? [] : [key])].join(' ');
