import { answer, databaseAway, defineCalls, problem, writeRefused } from '../call.ts';
import { carrierName, CarrierServiceChangeShape, CarrierServicesShape } from '../shapes/carrier.ts';

const params = { name: carrierName };

/** Where carriers are asked. */
export const carrierCalls = defineCalls({
  'GET /api/carriers': {
    needs: 'look',
    summary: 'Carriers that are asked at an address of their own, without their secrets',
    answers: { 200: answer('by name', CarrierServicesShape), 503: databaseAway },
  },
  'PUT /api/carriers/{name}': {
    needs: 'own',
    summary: 'Says where a carrier is asked, with which secret, and for how long it is waited for',
    params,
    body: { schema: CarrierServiceChangeShape, most: 4096 },
    answers: {
      200: answer('all of them', CarrierServicesShape),
      ...writeRefused,
      404: problem('no carrier can have that name'),
      409: problem('there are as many as there may be'),
      422: problem('malformed, or the address is not one that is asked'),
    },
  },
  'DELETE /api/carriers/{name}': {
    needs: 'own',
    summary: 'Has a carrier asked at the usual address again',
    params,
    answers: {
      200: answer('those that are left', CarrierServicesShape),
      403: writeRefused[403],
      503: databaseAway,
    },
  },
});
