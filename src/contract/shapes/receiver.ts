import { Type, type Static } from '@sinclair/typebox';
import { list, moment, nullable, object, text, whole, word } from '../shape.ts';

/** One time that a call was made, and what came of it. */
export const OutgoingTryShape = object({
  at: moment,
  /** ms */
  took: whole,
  /** null: nothing was answered */
  status: nullable(whole),
  /** what was answered, as far as it is kept */
  answer: nullable(text),
  /** why it did not arrive; null: it did */
  problem: nullable(text),
});
export type OutgoingTry = Static<typeof OutgoingTryShape>;

/** A call to a receiver. */
export const OutgoingCallShape = object({
  id: text,
  kind: word('release', 'test'),
  /** null: of a test before the first release */
  release: nullable(whole),
  madeAt: moment,
  state: word('waiting', 'arrived', 'givenUp'),
  /** when it is made again; null: not any more */
  nextAt: nullable(moment),
  /** the first one first */
  tries: list(OutgoingTryShape),
});
export type OutgoingCall = Static<typeof OutgoingCallShape>;

/** A system of the shop that is told of releases. */
export const ReceiverShape = object({
  id: text,
  address: text,
  /** names the secret that its calls are signed with */
  secretId: text,
  madeAt: moment,
  /** null: what was told last arrived */
  failingSince: nullable(moment),
  /** since when it is told nothing more; null: it is */
  leftAt: nullable(moment),
  /** its latest calls, the newest first */
  calls: list(OutgoingCallShape),
});
export type Receiver = Static<typeof ReceiverShape>;
export const ReceiversShape = object({ receivers: list(ReceiverShape) });

export const NewReceiverShape = object({
  address: Type.String({
    description: 'an address, https or on this machine',
    maxLength: 400,
    pattern: '^(https?://|/stand-ins/receiver)\\S*$',
  }),
});

/** A receiver, and the secret that its calls are signed with, hexadecimal. */
export const MadeReceiverShape = object({ receiver: ReceiverShape, secret: text });
export type MadeReceiver = Static<typeof MadeReceiverShape>;
