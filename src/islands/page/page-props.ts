import { providePolicy } from '../../client/page-policy.ts';
import type { PageData, PageProps } from '../../contract/page.ts';

/** What was read for a page, as its view takes it; the policy is left to be fetched, and handed to what is drawn now. */
export function pageProps<Data extends PageData>({
  draft,
  ...rest
}: Data): Omit<Data, 'draft'> & Pick<PageProps, 'draft'> {
  const { policy, ...history } = draft;
  providePolicy(history.address, policy);
  return { ...rest, draft: history };
}
