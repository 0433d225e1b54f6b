let doing = 0;
const waiting: Array<() => void> = [];

/**
 * Does something of which the studio tells its tabs, and this one too, and reads what came of it: what is told meanwhile
 * is taken in only after that, so that it is this tab's own step, to be taken back.
 */
export async function whileFeedHeld<T>(work: () => Promise<T>): Promise<T> {
  doing += 1;
  try {
    return await work();
  } finally {
    doing -= 1;
    if (doing === 0) for (const told of waiting.splice(0)) told();
  }
}

/** Takes in what is told, now or once nothing of the kind is being done. */
export function whenFeedFree(told: () => void): void {
  if (doing > 0) waiting.push(told);
  else told();
}
