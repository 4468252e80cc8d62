import { useState } from 'react';
import type { Answer, HttpProblem } from '../../client/http.ts';

/** One call at a time, with what it was refused for. */
export function useAsking() {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<HttpProblem | null>(null);
  const ask = async <T>(call: () => Promise<Answer<T>>): Promise<T | null> => {
    setBusy(true);
    setProblem(null);
    const answer = await call();
    setBusy(false);
    if (answer.ok) return answer.body;
    setProblem(answer.problem);
    return null;
  };
  return { busy, problem, ask };
}
