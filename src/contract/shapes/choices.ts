import { Type, type Static } from '@sinclair/typebox';
import { flag, nullable, object, optional } from '../shape.ts';

/** For so long it may be kept who did what. days */
export const [leastRecordDays, mostRecordDays] = [30, 3650];

/** For so long orders may be kept one by one. days */
export const [leastOrderDays, mostOrderDays] = [90, 3650];

/** What the store chooses that is no rule for shoppers. */
export const ChoicesShape = object({
  twoPeople: Type.Unsafe<boolean>({
    ...flag,
    description: 'whether a release takes somebody who asks for it and somebody else who agrees',
  }),
  recordDays: Type.Integer({
    minimum: leastRecordDays,
    maximum: mostRecordDays,
    description: 'for so many days it is kept who did what',
  }),
  orderDays: nullable(
    Type.Integer({
      minimum: leastOrderDays,
      maximum: mostOrderDays,
      description: 'for so many days orders are kept one by one, the rest of the month with them; null: for good',
    }),
  ),
});
export type Choices = Static<typeof ChoicesShape>;

/** What is not said stays as it is: pages know what the others chose only as it was when they were opened. */
export const ChangedChoicesShape = object({
  twoPeople: optional(ChoicesShape.properties.twoPeople),
  recordDays: optional(ChoicesShape.properties.recordDays),
  orderDays: optional(ChoicesShape.properties.orderDays),
});
export type ChangedChoices = Static<typeof ChangedChoicesShape>;
