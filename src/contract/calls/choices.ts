import { answer, databaseAway, defineCalls, problem, writeRefused } from '../call.ts';
import { ChoicesShape } from '../shapes/choices.ts';

export const choiceCalls = defineCalls({
  'GET /api/choices': {
    summary: 'What the store chooses that is no rule for shoppers',
    needs: 'look',
    answers: { 200: answer('the choices', ChoicesShape), 503: databaseAway },
  },
  'PUT /api/choices': {
    summary: 'Chooses for the store',
    needs: 'own',
    body: { schema: ChoicesShape, most: 1024 },
    answers: {
      200: answer('the choices', ChoicesShape),
      ...writeRefused,
      409: problem('there are no two people who may release'),
      422: problem('malformed'),
    },
  },
});
