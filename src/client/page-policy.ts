import type { Policy } from '../core/policy/types.ts';

/**
 * How a page's policy reaches its view. It is too large to travel among an island's props: on the server the view takes
 * the very object that the page has read, and in the browser it is fetched while the scripts are still on their way, and
 * kept by the browser for the next page.
 */
const provided = new Map<string, Policy>();
/** Pages drawn on the server at the same time. */
const mostProvided = 16;

/** Hands a policy to the views drawn next, under the address that the browser fetches it from. */
export function providePolicy(address: string, policy: Policy): void {
  provided.delete(address);
  provided.set(address, policy);
  if (provided.size > mostProvided) provided.delete(provided.keys().next().value!);
}

/** The policy of the page that is being drawn. */
export function policyOfPage(address: string): Policy {
  const policy = fetched ?? provided.get(address);
  if (!policy) throw new Error('the page was drawn without its policy');
  return policy;
}

/** Asks until it is answered: without its policy the page stays the picture that the server has drawn. */
async function fetchPolicy(address: string): Promise<Policy> {
  for (let pause = 250; ; pause = Math.min(pause * 2, 5000)) {
    try {
      const response = await fetch(address);
      if (response.ok) return (await response.json()) as Policy;
    } catch {
      // The server is away for the moment.
    }
    await new Promise((resolve) => setTimeout(resolve, pause));
  }
}

const address =
  typeof document === 'undefined' ? undefined : document.querySelector<HTMLLinkElement>('#page-policy')?.href;
const fetched = address === undefined ? null : await fetchPolicy(address);
