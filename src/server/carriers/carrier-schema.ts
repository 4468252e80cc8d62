import {
  CarrierAnswerShape,
  CarrierRequestShape,
  type CarrierAnswer,
  type CarrierRequest,
} from '../../contract/shapes/carrier.ts';
import { bodySchema } from '../http/read-request.ts';

export const validateCarrierRequest = bodySchema<CarrierRequest>(CarrierRequestShape);
export const validateCarrierAnswer = bodySchema<CarrierAnswer>(CarrierAnswerShape);
