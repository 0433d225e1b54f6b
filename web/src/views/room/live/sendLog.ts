import type { Log } from '@warm-ladder/core/taught';
import { Refused, server } from '../../../app/store/server';
import { dropCourse, keptCourses } from './keptCourse';

/** What became of a log on its way to the studio: it is there, it waits on this device, or why it was refused. */
export type SentLog = 'kept' | 'waits' | { readonly refused: string };

/** Sends a log to the studio. It may be sent twice: the second time it is there already. */
export async function sendLog(log: Log): Promise<SentLog> {
  try {
    const { answers } = await server.change([{ kind: 'logs', id: log.id, version: 0, value: log }]);
    const [answer] = answers;
    return answer?.outcome === 'refused' ? { refused: answer.refusal.message } : 'kept';
  } catch (error) {
    return error instanceof Refused ? { refused: error.message } : 'waits';
  }
}

/**
 * Sends the logs that wait on this device. What is in the studio is let go of here.
 * @returns why the studio did not take a log, by the id of its course
 */
export async function sendWaitingLogs(): Promise<ReadonlyMap<string, string>> {
  const refusals = new Map<string, string>();
  for (const { id, log } of keptCourses()) {
    const sent = log && (await sendLog(log));
    if (sent === 'kept') dropCourse(id);
    else if (typeof sent === 'object') refusals.set(id, sent.refused);
  }
  return refusals;
}
