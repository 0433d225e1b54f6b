let doing = 0;
const waiting: Array<() => void> = [];

/**
 * Does something of which the studio tells its tabs, and this one too, and reads what came of it: what is told meanwhile
 * is heard only after that, so that it is this tab's own step, to be taken back.
 */
export async function unheard<T>(work: () => Promise<T>): Promise<T> {
  doing += 1;
  try {
    return await work();
  } finally {
    doing -= 1;
    if (doing === 0) for (const hear of waiting.splice(0)) hear();
  }
}

/** Hears what is told, now or once nothing of the kind is being done. */
export function hear(told: () => void): void {
  if (doing > 0) waiting.push(told);
  else told();
}
