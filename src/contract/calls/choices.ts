import { answer, databaseAway, defineCalls, problem, writeRefused } from '../call.ts';
import { ChangedChoicesShape, ChoicesShape } from '../shapes/choices.ts';

export const choiceCalls = defineCalls({
  'GET /api/choices': {
    summary: 'What the store chooses that is no rule for shoppers',
    needs: 'look',
    answers: { 200: answer('the choices', ChoicesShape), 503: databaseAway },
  },
  'PATCH /api/choices': {
    summary: 'Chooses for the store; what is not said stays as it is',
    needs: 'own',
    body: { schema: ChangedChoicesShape, most: 1024 },
    answers: {
      200: answer('the choices', ChoicesShape),
      ...writeRefused,
      409: problem('there are no two people who may release'),
      422: problem('malformed'),
    },
  },
});
