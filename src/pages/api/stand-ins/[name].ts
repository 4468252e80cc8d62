import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { isStandIn, setStandInMode, standInMode, standIns } from '../../../server/stand-ins/stand-in-modes.ts';

const unknown = {
  status: 404,
  title: 'There is no such stand-in',
  detail: `There are: ${Object.keys(standIns).join(', ')}.`,
};

/** How a simulated outside service behaves. */
export const GET = endpoint('GET /api/stand-ins/{name}', async ({ params: { name } }) =>
  isStandIn(name) ? reply({ mode: await standInMode(name), modes: [...standIns[name]] }) : unknown,
);

export const PUT = endpoint('PUT /api/stand-ins/{name}', async ({ params: { name }, body: { mode } }) => {
  if (!isStandIn(name)) return unknown;
  const modes: string[] = [...standIns[name]];
  if (!modes.includes(mode))
    return {
      status: 422,
      title: 'The stand-in cannot do that',
      detail: `It can be: ${modes.join(', ')}. Nothing was changed.`,
      fields: [{ pointer: '/mode', message: `must be one of ${modes.join(', ')}` }],
    };
  await setStandInMode(name, mode);
  return reply({ mode, modes });
});
