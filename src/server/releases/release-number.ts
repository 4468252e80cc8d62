import { ProblemError } from '../http/problem.ts';

export const noSuchRelease = {
  status: 404,
  title: 'There is no such release',
  detail: 'Nothing was changed. GET /api/releases lists those there are.',
} as const;

/** A release number from a path. @throws ProblemError 404 when it is not one */
export function releaseNumberOf(param: string | undefined): number {
  if (!/^[1-9]\d{0,8}$/.test(param ?? '')) throw new ProblemError(noSuchRelease);
  return Number(param);
}
