/** Hands the director a text as a file. */
export const download = (name: string, text: string, type = 'application/json'): void =>
  downloadBlob(name, new Blob([text], { type }));

/** Hands the director a file. */
export function downloadBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // The browser has taken hold of it by the next turn.
  setTimeout(() => URL.revokeObjectURL(url), 0);
}
