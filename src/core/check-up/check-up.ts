import type { CheckedUp, Finding, Found, NotExamined, Severity } from './finding.ts';
import type { Examined, FindingKind } from './kind.ts';
import { findingKinds } from './registry.ts';

const rank: Record<Severity, number> = { wrong: 0, risky: 1, remark: 2 };

/** In which a finding’s sentence is kept with it where it is accepted, whoever reads it in whichever. */
const keptLocale = 'en-GB';

/** Everything that the check-up has to say of a policy. */
export const checkUp = (examined: Examined): CheckedUp => checkUpFor(examined, findingKinds.all);

/** Of what is looked for only guarantees, or all but these: of a large store they take longest. */
export const checkUpPart = (examined: Examined, part: 'guarantees' | 'others'): CheckedUp =>
  checkUpFor(
    examined,
    findingKinds.all.filter(({ firm = false }) => firm === (part === 'guarantees')),
  );

const checkUpFor = (examined: Examined, kinds: readonly FindingKind[]): CheckedUp =>
  judged(examined, lookedThrough(examined, kinds));

/** The same, one kind of finding after the other. @param turn awaited between them: others have their turn */
export async function checkUpInTurns(examined: Examined, turn: () => Promise<void>): Promise<CheckedUp> {
  const all: CheckedUp = { findings: [], notExamined: [] };
  for (const kind of findingKinds.all) {
    await turn();
    const { findings, notExamined } = lookedThrough(examined, [kind]);
    all.findings.push(...findings);
    all.notExamined.push(...notExamined);
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
  const findings: Finding[] = [];
  const notExamined: NotExamined[] = [];
  for (const { kind, stop, firm = false, find } of kinds) {
    for (const found of find(examined)) {
      if ('because' in found) notExamined.push({ ...found, kind, stop });
      else findings.push({ ...found, id: idOf(kind, found), kind, stop, firm, accepted: null });
    }
  }
  return { findings, notExamined };
}

const idOf = (kind: string, { at, key }: Found): string => [kind, at, ...(key === undefined ? [] : [key])].join(' ');
