import type { components, paths } from './summant.generated.ts';

/** The client of Summant's calls, with the types that `/openapi.json` tells. */

type Schemas = components['schemas'];
export type Quote = Schemas['Quote'];
export type Problem = Schemas['Problem'];
type Body<Path extends keyof paths> = paths[Path] extends {
  post: { requestBody: { content: { 'application/json': infer B } } };
}
  ? B
  : never;
type Answer<Path extends keyof paths> = paths[Path] extends {
  post: { responses: { 200: { content: { 'application/json': infer A } } } };
}
  ? A
  : never;
type Posted = { [Path in keyof paths]: paths[Path] extends { post: object } ? Path : never }[keyof paths];

export type Asked = Body<'/api/quote'>;
export type Order = Body<'/api/orders'>['orders'][number];
export type Where = paths['/api/where']['get']['responses'][200]['content']['application/json'];

/** How long Summant is waited for. ms */
const timeout = 8000;

export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly problem: Problem | null,
  ) {
    super(problem ? `${problem.title}. ${problem.detail}` : `answered ${status}`);
  }
}

/** Summant as the shop's server asks it. */
export class Summant {
  constructor(
    readonly address: string,
    readonly key: string,
  ) {}

  /** @throws Refused where it is refused; another error where nobody answers */
  async post<Path extends Posted>(path: Path, body: Body<Path>): Promise<Answer<Path>> {
    return (await this.#ask(path, { method: 'POST', body: JSON.stringify(body) })) as Answer<Path>;
  }

  async where(address: string, market: string | null): Promise<Where> {
    const query = new URLSearchParams({ address, ...(market === null ? {} : { market }) });
    return (await this.#ask(`/api/where?${query.toString()}`, { method: 'GET' })) as Where;
  }

  async #ask(path: string, init: RequestInit): Promise<unknown> {
    const response = await fetch(this.address + path, {
      ...init,
      headers: { 'content-type': 'application/json', authorization: `Bearer ${this.key}` },
      signal: AbortSignal.timeout(timeout),
    });
    const read = (await response.json().catch(() => null)) as unknown;
    if (!response.ok) throw new Refused(response.status, read as Problem | null);
    return read;
  }
}
