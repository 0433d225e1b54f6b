/** Hands the director a text as a file. */
export function download(name: string, text: string, type = 'application/json'): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // The browser has taken hold of it by the next turn.
  setTimeout(() => URL.revokeObjectURL(url), 0);
}
