import type { APIRoute } from 'astro';
import { answering, json, problemResponse } from '../../../server/http/problem.ts';
import { readBody } from '../../../server/http/read-request.ts';
import { validateMode } from '../../../server/stand-ins/mode-request.ts';
import { isStandIn, setStandInMode, standInMode, standIns } from '../../../server/stand-ins/stand-in-modes.ts';

const unknown = () =>
  problemResponse({
    status: 404,
    title: 'There is no such stand-in',
    detail: `There are: ${Object.keys(standIns).join(', ')}.`,
  });

/** How a simulated outside service behaves. */
export const GET: APIRoute = ({ params }) =>
  answering(async () =>
    isStandIn(params.name ?? '')
      ? json({
          mode: await standInMode(params.name as keyof typeof standIns),
          modes: standIns[params.name as keyof typeof standIns],
        })
      : unknown(),
  );

export const PUT: APIRoute = ({ params, request }) =>
  answering(async () => {
    const name = params.name ?? '';
    if (!isStandIn(name)) return unknown();
    const { mode } = await readBody(request, validateMode, 1024);
    const modes: readonly string[] = standIns[name];
    if (!modes.includes(mode))
      return problemResponse({
        status: 422,
        title: 'The stand-in cannot do that',
        detail: `It can be: ${modes.join(', ')}. Nothing was changed.`,
        fields: [{ pointer: '/mode', message: `must be one of ${modes.join(', ')}` }],
      });
    await setStandInMode(name, mode);
    return json({ mode, modes });
  });
