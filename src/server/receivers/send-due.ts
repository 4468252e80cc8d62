import { isUnavailable } from '../database/unavailable.ts';
import { log } from '../log.ts';
import { makeCall } from './make-call.ts';
import { noteTry, receiversWithDueCalls, takeDueCall, takeTest, type ToldRelease } from './outbox.ts';

/** How often it is looked whether calls are due, in seconds; 0: never, so that they are made by hand alone. */
const every = (): number => Number(process.env.SUMMANT_CALLS_EVERY ?? 5);

let watch: ReturnType<typeof setInterval> | null = null;
/** Receivers that this process is calling. */
const called = new Set<string>();

/** Makes calls as they become due, from now on. */
export function watchOutbox(): void {
  const seconds = every();
  if (seconds > 0) watch ??= setInterval(() => void sendAllDue(), seconds * 1000).unref();
}

/** Makes calls that have just become due without waiting for the next look. */
export function sendSoon(): void {
  if (every() > 0) void sendAllDue();
}

async function sendAllDue(): Promise<void> {
  try {
    for (const receiver of await receiversWithDueCalls()) void sendDue(receiver);
  } catch (error) {
    sayUnsent(error);
  }
}

/** Makes a receiver’s calls that are due, one after another; receivers do not wait for each other. */
export async function sendDue(receiver: string): Promise<void> {
  if (called.has(receiver)) return;
  called.add(receiver);
  try {
    for (let due; (due = await takeDueCall(receiver));) await noteTry(due, await makeCall(due));
  } catch (error) {
    sayUnsent(error);
  } finally {
    called.delete(receiver);
  }
}

function sayUnsent(error: unknown): void {
  if (!isUnavailable(error)) log.error({ err: String(error) }, 'receivers could not be told');
}

/** Calls a receiver once, with what it would be told of the latest release. @returns the call’s id; null: there is no such receiver */
export async function sendTest(receiver: string, latest: ToldRelease | null): Promise<string | null> {
  const due = await takeTest(receiver, latest);
  if (due) await noteTry(due, await makeCall(due));
  return due?.call ?? null;
}
