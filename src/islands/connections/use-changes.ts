import { useState } from 'react';
import type { Answer, HttpProblem } from '../../client/http.ts';

/** One change at a time, with what it was refused for. */
export function useChanges() {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<HttpProblem | null>(null);
  const change = async <T>(ask: () => Promise<Answer<T>>): Promise<T | null> => {
    setBusy(true);
    setProblem(null);
    const answer = await ask();
    setBusy(false);
    if (answer.ok) return answer.body;
    setProblem(answer.problem);
    return null;
  };
  return { busy, problem, change };
}
