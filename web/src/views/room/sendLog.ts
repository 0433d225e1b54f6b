import type { Log } from '@warm-ladder/core/taught';
import { Refused, server } from '../../app/server';
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

/** Sends the logs that wait on this device. What is in the studio is let go of here. */
export async function sendWaitingLogs(): Promise<void> {
  for (const { id, log } of keptCourses()) {
    if (log && (await sendLog(log)) === 'kept') dropCourse(id);
  }
}
