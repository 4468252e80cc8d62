import { comeBack } from '../../../../server/accounts/provider/coming-back.ts';
import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { isProblem } from '../../../../server/http/problem.ts';

export const POST = endpoint('POST /api/sign-in/provider/back', async ({ body, request, client }) => {
  const came = await comeBack(body.query, { request, client });
  if (isProblem(came)) return came;
  const { headers, ...told } = came;
  return reply(told, headers);
});
