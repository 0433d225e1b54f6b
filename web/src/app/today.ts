/** The day it is here, `YYYY-MM-DD`: asked anew each time, since a page stays open over midnight. */
export function today(): string {
  const now = new Date();
  return [now.getFullYear(), now.getMonth() + 1, now.getDate()].map((part) => String(part).padStart(2, '0')).join('-');
}
