/** Hands the director a text as a file. */
export const download = (name: string, text: string, type = 'application/json'): void =>
  downloadBlob(name, new Blob([text], { type }));

/** Hands the director a file. */
export function downloadBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  downloadFrom(url, name);
  // The browser has taken hold of it by the next turn.
  setTimeout(() => URL.revokeObjectURL(url), 0);
}

/** Hands the director a file from where it lies. @param name the sender’s own when unsaid */
export function downloadFrom(url: string, name = ''): void {
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
}
